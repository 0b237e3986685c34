import type { PlantView } from '@zinc-pail/contract/api';
import type { PlantChange } from '@zinc-pail/contract/keeping';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../api/client.ts';
import { plantKey } from '../../api/plant.ts';
import { roundKey } from '../../api/round.ts';
import { tableKey } from '../../api/table.ts';

/** Changes a plant's record or rules from the version that is shown. */
export function useChange(plant: Pick<PlantView, 'id' | 'version'>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: PlantChange | Record<string, unknown>) =>
      ask<PlantView>(`/plants/${plant.id}`, { method: 'PATCH', version: plant.version, body }),
    onSuccess: (changed) => queries.setQueryData(plantKey(plant.id), changed),
    // Whoever lost looks at what is there now; what they typed stays in its fields.
    onError: () => queries.invalidateQueries({ queryKey: plantKey(plant.id) }),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: roundKey }),
        queries.invalidateQueries({ queryKey: tableKey }),
      ]),
  });
}
