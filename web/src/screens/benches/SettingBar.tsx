/** At the foot while pots are set out: what is in hand, where it may go, what was just done. */
import type { PlaceView } from '@zinc-pail/contract/keeping';
import { count } from '../../reader/amounts.ts';
import type { SettingTold } from './useSetting.ts';

interface SettingBarProps {
  places: readonly PlaceView[];
  inHand: ReadonlySet<number>;
  told: SettingTold | null;
  onMove(to: PlaceView): void;
  onDone(): void;
}

export function SettingBar({ places, inHand, told, onMove, onDone }: SettingBarProps) {
  return (
    <div
      role="region"
      aria-label="Setting the pots"
      className="sticky bottom-0 z-10 -mx-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-t-2 border-[var(--clay)] bg-[var(--paper)] px-3 py-1 sm:-mx-6 sm:px-6"
    >
      <p role="status" className="text-[0.9375rem]">
        {told ? (
          <>
            {told.words}{' '}
            {told.back && (
              <button type="button" className="h-11 px-2 underline" onClick={() => void told.back!()}>
                undo
              </button>
            )}
          </>
        ) : inHand.size === 0 ? (
          'Drag a pot, or tap it and use the arrows. Tap several to move them together.'
        ) : (
          `Selected: ${count(inHand.size, 'pot')}.`
        )}
      </p>
      {inHand.size > 0 && (
        <label className="flex items-center gap-2 text-[0.9375rem]">
          to another bench
          <select
            className="select h-11"
            value=""
            onChange={({ target }) => {
              const to = places.find(({ id }) => id === Number(target.value));
              if (to) onMove(to);
            }}
          >
            <option value="">choose…</option>
            {places.map((place) => (
              <option key={place.id} value={place.id}>
                {place.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <button type="button" className="btn ml-auto h-11" onClick={onDone}>
        Done
      </button>
    </div>
  );
}
