import { nameParts } from '@zinc-pail/core';

/** A plant's name by the botanical rules. */
export function Name({ written }: { written: string }) {
  return (
    <span className="slab">
      {nameParts(written).map((part, i) => {
        const gap = i > 0 && !part.text.startsWith(',') ? ' ' : '';
        return part.style === 'italic' ? <i key={i}>{gap + part.text}</i> : <span key={i}>{gap + part.text}</span>;
      })}
    </span>
  );
}
