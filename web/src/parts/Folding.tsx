/** A section that stands open where there is room, and is one line on a phone until it is tapped. */
import { ChevronDown } from 'lucide-react';
import { type ReactNode, useState } from 'react';

/** As wide as a small tablet. */
const ROOM = '(min-width: 640px)';

interface FoldingProps {
  /** on the line: "From the clinic: 5" */
  head: string;
  label: string;
  /** the colour of its edge */
  edge: string;
  children: ReactNode;
}

export function Folding({ head, label, edge, children }: FoldingProps) {
  const [open, setOpen] = useState(() => typeof window === 'undefined' || window.matchMedia(ROOM).matches);
  return (
    <section aria-label={label} className="my-2 border-l-4 pl-3" style={{ borderColor: edge }}>
      <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="flex h-11 cursor-pointer list-none items-center gap-2 text-[0.9375rem] font-semibold">
          {head}
          <ChevronDown aria-hidden="true" size={18} className={open ? 'rotate-180' : ''} />
        </summary>
        {children}
      </details>
    </section>
  );
}
