/** The plant is potted from its own page: by the form of the potting bench, with what hands must know first. */
import type { PlantView } from '@zinc-pail/contract/api';
import { blockWords } from '@zinc-pail/words/potting';
import { useKit } from '../../api/kit.ts';
import { usePotting } from '../../api/potting.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { units } from '../../reader/units.ts';
import { PotItPanel } from '../potting/PotItPanel.tsx';
import { cautionLines } from './Cautions.tsx';

export function RepotPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const kit = useKit();
  const bench = usePotting(plant.site.id);
  const found = bench.data?.plants.find(({ id }) => id === plant.id);
  if (!found || !kit.data)
    return (
      <Dialog title={`Pot ${plant.number}`} onClose={onClose}>
        {bench.error ? (
          <Failed error={bench.error} again={() => void bench.refetch()} />
        ) : (
          <Waiting what="which pot fits" />
        )}
      </Dialog>
    );
  const first = [
    ...cautionLines(plant.outlook, plant.record.poisonous),
    ...found.blocks.map((block) => `Not now: ${blockWords(block, plant.site.today, units())}.`),
  ];
  return <PotItPanel plant={found} kit={kit.data} today={plant.site.today} first={first} onClose={onClose} />;
}
