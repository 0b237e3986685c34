/** A plant small: its newest photograph where the keeper wants those, else as it looks from the side. */
import type { TableRow } from '@zinc-pail/contract/table';
import type { PlantState } from '@zinc-pail/core';
import { memo, useEffect, useRef } from 'react';
import { isBare, PlantFromSide } from '../../drawing/plant/Plant.tsx';
import { lookOf } from '../../drawing/plant/looks.ts';
import { usePhotographs } from '../../drawing/photographs.ts';

/**
 * Drawings that were drawn once, as pictures: a list of thousands scrolls past a few hundred looks, and a picture costs the
 * browser one element where a drawing costs dozens.
 */
const drawn = new Map<string, string>();
/** Proportions in steps, so that plants of one look share a drawing. */
const RATIO_STEP = 0.2;

interface RowPictureProps {
  plant: Pick<TableRow, 'name' | 'form' | 'state' | 'diameter_mm' | 'height_mm' | 'picture_id'>;
  size: number;
}

export function RowPicture({ plant, size }: RowPictureProps) {
  const [photographs] = usePhotographs();
  const { name, form, state, diameter_mm: diameter, height_mm: height, picture_id: picture } = plant;
  if (photographs && picture !== null) return <Small src={`/api/pictures/${picture}/small`} size={size} />;
  const free = Math.max(0.4, Math.min(1.6, height / Math.max(1, diameter)));
  const ratio = Math.round(free / RATIO_STEP) * RATIO_STEP;
  const { look, tint, crested, variegated } = lookOf(name, form);
  const key = `${look} ${tint} ${crested} ${variegated} ${form === 'trailing'} ${state} ${ratio.toFixed(1)} ${size}`;
  const src = drawn.get(key);
  if (src !== undefined) return <Small src={src} size={size} />;
  return <Drawing id={key} name={name} form={form} state={state as PlantState} ratio={ratio} size={size} />;
}

function Small({ src, size }: { src: string; size: number }) {
  return (
    <img
      src={src}
      alt=""
      width={size}
      height={size}
      className="shrink-0 object-cover"
      style={{ width: size, height: size }}
    />
  );
}

interface DrawingProps {
  id: string;
  name: string;
  form: string;
  state: PlantState;
  ratio: number;
  size: number;
}

/** Drawn, and kept as a picture for the next of its look. */
const Drawing = memo(function Drawing({ id, name, form, state, ratio, size }: DrawingProps) {
  const ref = useRef<SVGSVGElement>(null);
  useEffect(() => {
    const text = new XMLSerializer().serializeToString(ref.current!);
    drawn.set(id, `data:image/svg+xml,${encodeURIComponent(text)}`);
  }, [id]);
  const width = Math.min(size - 2, (size - 2) / ratio);
  const hangs = form === 'trailing';
  return (
    <svg
      ref={ref}
      width={size}
      height={size}
      viewBox={`${-size / 2} ${-size + 1} ${size} ${size}`}
      aria-hidden="true"
      className="shrink-0"
    >
      <g transform={hangs ? `translate(0 ${-size * 0.45})` : undefined}>
        <PlantFromSide
          name={name}
          form={form}
          state={state}
          bare={isBare(form, state)}
          width={width}
          height={Math.min(size - 2, hangs ? size * 0.4 : width * ratio)}
        />
      </g>
    </svg>
  );
});
