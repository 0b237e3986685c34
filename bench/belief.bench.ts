/**
 * What the belief reaches in worlds that are not its own (core/test/world.ts): the figures of docs/model.md. Figures, not
 * times: the same on every machine.
 */
import { type Found, triedQuiet, triedUpsets } from '../core/test/tried.ts';
import { PHYSICS, type PhysicsName, UPSETS } from '../core/test/world.ts';

const SEEDS = [1, 2, 3];
const POTS = 40;
const CHECKS = ['finger', 'meter', 'weight', 'none'] as const;

const share = (value: number) => (Number.isNaN(value) ? ' -' : (100 * value).toFixed(0).padStart(3));
function told({ moisture, mMiss, dry, dryMiss, late, cycleMiss, long, longOnes }: Found): string {
  return (
    `m inside ${share(moisture)}, missed by ${mMiss.toFixed(3)}; dry day inside ${share(dry)}, missed by ` +
    `${dryMiss.toFixed(0).padStart(2)} days (${cycleMiss.toFixed(2)} of the cycle; ${late >= 0 ? '+' : ''}${late.toFixed(0)}); over sixty ` +
    `days ${share(long)} of ${longOnes}`
  );
}

for (const physics of Object.keys(PHYSICS) as PhysicsName[]) {
  console.log(`\n${physics}, ${POTS * SEEDS.length} pots a line`);
  for (const checks of CHECKS)
    for (const days of [75, 200])
      console.log(
        `${checks.padEnd(7)} ${String(days).padStart(3)} d: ${told(triedQuiet({ checks, seeds: SEEDS, physics, days, pots: POTS }))}`,
      );
}
console.log('\nlayers, sleepers among them, 200 days');
for (const checks of CHECKS)
  console.log(
    `${checks.padEnd(7)} ${told(triedQuiet({ checks, seeds: SEEDS, days: 200, pots: POTS, sleepers: true }))}`,
  );

console.log('\nwith upsets that no book tells: looks that contradict it');
for (const physics of ['layers', 'even'] as const) {
  for (const checks of ['mixed', 'weight', 'finger'] as const) {
    const line = (
      name: string,
      { count, miss, inside, wet, drinksIntoWet, parched, overlooked }: ReturnType<typeof triedUpsets>,
    ) =>
      console.log(
        `${physics.padEnd(6)} ${checks.padEnd(6)} ${name.padEnd(22)} m missed by ${miss.toFixed(3)}, inside ${share(inside)} of ${count}; ` +
          `drinks into what is wet ${drinksIntoWet} of ${wet}; long dry and overlooked ${overlooked} of ${parched}`,
      );
    const over = { checks, physics, pots: POTS };
    line('after one look', triedUpsets(UPSETS, [0], SEEDS, over));
    line('after two', triedUpsets(UPSETS, [3, 0], SEEDS, over));
    line('a slip, then a good one', triedUpsets(['slip'], [3, 0], SEEDS, over));
  }
}
