/* The year kernel of core/src/drydown/yearKernel.ts in plain C, line by line, to measure that one against. */
#define _POSIX_C_SOURCE 199309L
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double loss_at(double m, double surface, double wall, double plant, double wet_m) {
  if (m <= 0) return 0;
  double s = m < wet_m ? m / wet_m : 1;
  double w = m < 0.6 ? m / 0.6 : 1;
  double r = m < 0.25 ? m / 0.25 : 1;
  return surface * s * sqrt(s) + wall * w + plant * r;
}

static double dry_step(double m, double surface, double wall, double plant, double wet_m) {
  double first = loss_at(m, surface, wall, plant, wet_m);
  double bite = 0.35 * m;
  double limit = bite > 0.08 ? 0.08 : bite < 0.012 ? 0.012 : bite;
  if (first <= limit) {
    double left = m - loss_at(m - first / 2, surface, wall, plant, wet_m);
    return left > 0 ? left : 0;
  }
  double steps = ceil(first / limit);
  if (steps > 24) steps = 24;
  double share = 1 / steps;
  double now = m;
  for (int i = 0; i < steps; i++) {
    double half = now - 0.5 * share * loss_at(now, surface, wall, plant, wet_m);
    now -= share * loss_at(half, surface, wall, plant, wet_m);
  }
  return now > 0 ? now : 0;
}

static void *read_all(FILE *file, size_t bytes) {
  void *data = malloc(bytes ? bytes : 1);
  if (!data || fread(data, 1, bytes, file) != bytes) exit(2);
  return data;
}

int main(int argc, char **argv) {
  if (argc < 3) return 2;
  FILE *file = fopen(argv[1], "rb");
  if (!file) return 2;
  int32_t *head = read_all(file, 4 * sizeof(int32_t));
  int count = head[0], days = head[1], members = head[2], places = head[3];
  int32_t *place = read_all(file, (size_t)count * sizeof(int32_t));
  int32_t *start = read_all(file, (size_t)count * sizeof(int32_t));
  int32_t *hold = read_all(file, (size_t)count * sizeof(int32_t));
  double *column[7];
  for (int i = 0; i < 7; i++) column[i] = read_all(file, (size_t)count * sizeof(double));
  float *drinking = read_all(file, (size_t)count * days * sizeof(float));
  float *weather[3];
  for (int i = 0; i < 3; i++) weather[i] = read_all(file, (size_t)members * places * days * sizeof(float));
  uint16_t *watered = calloc((size_t)count * days, sizeof(uint16_t));
  int rounds = atoi(argv[2]);
  double best = 1e30;
  for (int round = 0; round < rounds; round++) {
    for (size_t i = 0; i < (size_t)count * days; i++) watered[i] = 0;
    struct timespec a, b;
    clock_gettime(CLOCK_MONOTONIC, &a);
    for (int member = 0; member < members; member++)
      for (int pot = 0; pot < count; pot++) {
        size_t from = ((size_t)member * places + place[pot]) * days, row = (size_t)pot * days;
        double m = column[6][pot];
        int held = 0;
        for (int day = start[pot]; day < days; day++) {
          double mm = weather[0][from + day], drinks = drinking[row + day], fallen = weather[2][from + day];
          if (fallen > 0) {
            m += fallen * column[3][pot];
            if (m > 1) m = 1;
          }
          m = dry_step(m, mm * column[0][pot], weather[1][from + day] * column[1][pot], mm * column[2][pot] * (drinks > 0 ? drinks : 0), column[4][pot]);
          if (m > column[5][pot]) held = 0;
          else if (held < hold[pot]) held++;
          else if (drinks >= 0) {
            m = 1;
            held = 0;
            watered[row + day]++;
          }
        }
      }
    clock_gettime(CLOCK_MONOTONIC, &b);
    double ms = (b.tv_sec - a.tv_sec) * 1e3 + (b.tv_nsec - a.tv_nsec) / 1e6;
    if (ms < best) best = ms;
  }
  uint64_t total = 0;
  for (size_t i = 0; i < (size_t)count * days; i++) total += watered[i];
  printf("%.1f %llu\n", best, (unsigned long long)total);
  return 0;
}
