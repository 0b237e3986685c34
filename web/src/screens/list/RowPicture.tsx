/** A plant small: its newest photograph where the keeper wants those, else as it looks from the side. */
import type { TableRow } from '@zinc-pail/contract/table';
import type { PlantState } from '@zinc-pail/core';
import { isBare, PlantFromSide } from '../../drawing/plant/Plant.tsx';
import { usePhotographs } from '../../drawing/photographs.ts';

export function RowPicture({
  plant,
  size,
}: {
  plant: Pick<TableRow, 'name' | 'form' | 'state' | 'diameter_mm' | 'height_mm' | 'picture_id'>;
  size: number;
}) {
  const [photographs] = usePhotographs();
  if (photographs && plant.picture_id !== null)
    return (
      <img
        src={`/api/pictures/${plant.picture_id}/small`}
        alt=""
        loading="lazy"
        width={size}
        height={size}
        className="shrink-0 object-cover"
        style={{ width: size, height: size }}
      />
    );
  const state = plant.state as PlantState;
  const ratio = Math.max(0.4, Math.min(1.6, plant.height_mm / Math.max(1, plant.diameter_mm)));
  const width = Math.min(size - 2, (size - 2) / ratio);
  const hangs = plant.form === 'trailing';
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-size / 2} ${-size + 1} ${size} ${size}`}
      aria-hidden="true"
      className="shrink-0"
    >
      <g transform={hangs ? `translate(0 ${-size * 0.45})` : undefined}>
        <PlantFromSide
          name={plant.name}
          form={plant.form}
          state={state}
          bare={isBare(plant.form, state)}
          width={width}
          height={Math.min(size - 2, hangs ? size * 0.4 : width * ratio)}
        />
      </g>
    </svg>
  );
}
