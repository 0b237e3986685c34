import type { DeviceView } from '@zinc-pail/contract/devices';
import type { SiteWeather } from '@zinc-pail/contract/weather';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const weatherKey = ['weather'] as const;
export const devicesKey = ['devices'] as const;

export function useWeather() {
  return useQuery({
    queryKey: weatherKey,
    queryFn: async () => (await ask<{ sites: SiteWeather[] }>('/weather')).sites,
  });
}

export function useDevices() {
  return useQuery({
    queryKey: devicesKey,
    queryFn: async () => (await ask<{ devices: DeviceView[] }>('/devices')).devices,
  });
}
