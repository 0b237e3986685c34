import { Dialog } from '../forms/Dialog.tsx';
import { Legend } from '../parts/Legend.tsx';
import type { KeyHint } from './keys.ts';

const KEYS: { screen: string; hints: KeyHint[] }[] = [
  {
    screen: 'On the round',
    hints: [
      { keys: ['↓'], does: 'next pot' },
      { keys: ['↑'], does: 'pot before' },
      { keys: ['w'], does: 'watered, as advised' },
      { keys: ['n'], does: 'note something else: another amount, a check, another day' },
      { keys: ['1', '2', '3'], does: 'felt wet, damp, dry' },
      { keys: ['Enter'], does: 'open the plant' },
      { keys: ['space'], does: 'select this pot; what you note goes to all selected' },
      { keys: ['shift', 'space'], does: 'select all that need water on this bench' },
      { keys: ['y'], does: 'write for yesterday, and for today again' },
      { keys: ['l'], does: 'show or hide the pots to leave alone' },
    ],
  },
  {
    screen: 'On a plant',
    hints: [
      { keys: ['w'], does: 'watered, as advised' },
      { keys: ['n'], does: 'note something' },
      { keys: ['1', '2', '3'], does: 'felt wet, damp, dry' },
      { keys: ['←', '→'], does: 'the pot before it on the bench, the next; on the chart, the day' },
    ],
  },
  {
    screen: 'On the benches, while pots are set',
    hints: [
      { keys: ['←', '↑', '→', '↓'], does: 'move the pot by a centimetre; with shift by five' },
      { keys: ['space'], does: 'select it; selected pots move together' },
    ],
  },
  {
    screen: 'Everywhere',
    hints: [
      { keys: ['ctrl', 'z'], does: 'undo the last note (cmd z on a Mac)' },
      { keys: ['/'], does: 'find a plant' },
      { keys: ['g', 'b', 'i'], does: 'round, benches, list' },
      { keys: ['m', 'e'], does: 'year, weather' },
      { keys: ['p', 'c'], does: 'potting, clinic' },
      { keys: ['a', 's'], does: 'add a plant, shed' },
      { keys: ['?'], does: 'this sheet' },
      { keys: ['Esc'], does: 'close' },
    ],
  },
];

export function KeySheet({ onClose }: { onClose(): void }) {
  return (
    <Dialog title="Keys and drawings" onClose={onClose}>
      {KEYS.map(({ screen, hints }) => (
        <section key={screen} className="mb-4">
          <h3 className="mb-1 border-b border-[var(--rule)] font-semibold">{screen}</h3>
          <dl className="grid grid-cols-[8rem_1fr] gap-y-1">
            {hints.map(({ keys, does }) => (
              <div key={does} className="contents">
                <dt className="flex gap-1">
                  {keys.map((key) => (
                    <kbd key={key} className="kbd kbd-sm">
                      {key}
                    </kbd>
                  ))}
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <Legend />
    </Dialog>
  );
}
