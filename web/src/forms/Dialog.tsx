import { X } from 'lucide-react';
import { type ReactNode, useEffect, useId, useRef } from 'react';

/** A panel over the page: focus goes in, Escape and the close button bring it back. */
export function Dialog({ title, onClose, children }: { title: ReactNode; onClose(): void; children: ReactNode }) {
  const ref = useRef<HTMLDialogElement>(null);
  const heading = useId();
  useEffect(() => {
    const dialog = ref.current!;
    const before = document.activeElement as HTMLElement | null;
    dialog.showModal();
    return () => {
      dialog.close();
      before?.focus();
    };
  }, []);
  return (
    <dialog
      ref={ref}
      aria-labelledby={heading}
      className="m-auto w-[min(560px,calc(100vw-16px))] max-h-[calc(100dvh-16px)] overflow-auto border border-[var(--ink)] bg-[var(--paper)] p-0 text-[var(--ink)] backdrop:bg-black/40"
      onCancel={(event) => {
        event.preventDefault();
        onClose();
      }}
    >
      <div className="flex items-start gap-3 border-b-2 border-[var(--ink)] bg-[var(--frame)] py-1 pl-5 pr-1">
        <h2 id={heading} className="py-2 text-lg font-semibold leading-snug">
          {title}
        </h2>
        <button
          type="button"
          aria-label="Close"
          className="ml-auto grid size-11 shrink-0 place-items-center"
          onClick={onClose}
        >
          <X aria-hidden="true" size={22} />
        </button>
      </div>
      <div className="p-5">{children}</div>
    </dialog>
  );
}
