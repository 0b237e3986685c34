import { X } from 'lucide-react';
import { type ReactNode, useEffect, useId, useRef, useState } from 'react';

interface DialogProps {
  title: ReactNode;
  onClose(): void;
  /** what is typed in it is a question, not work: it may go with one key */
  light?: boolean;
  children: ReactNode;
}

/** A panel over the page: focus goes in; Escape and the close button bring it back, but never throw typed work away. */
export function Dialog({ title, onClose, light = false, children }: DialogProps) {
  const ref = useRef<HTMLDialogElement>(null);
  const typed = useRef(false);
  const [asking, setAsking] = useState(false);
  const leave = () => (typed.current && !light ? setAsking(true) : onClose());
  // A second Escape goes on writing: the safe answer.
  const escape = () => (asking ? setAsking(false) : leave());
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
        escape();
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented) return;
        // Told before the browser closes it by itself, which a second Escape would make it do.
        event.preventDefault();
        escape();
      }}
      onInputCapture={({ target }) => {
        const box = target as HTMLInputElement;
        if (box.type !== 'radio' && box.type !== 'checkbox') typed.current = true;
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
          onClick={leave}
        >
          <X aria-hidden="true" size={22} />
        </button>
      </div>
      {asking && (
        <div
          role="alertdialog"
          aria-label="What was typed"
          className="border-b border-[var(--ink)] bg-[var(--frame)] p-4"
        >
          <p className="mb-2 font-semibold">What you typed is not kept yet.</p>
          <div className="flex flex-wrap gap-3">
            {/* oxlint-disable-next-line jsx-a11y/no-autofocus -- the question takes the focus it interrupted */}
            <button type="button" autoFocus className="btn btn-primary h-11" onClick={() => setAsking(false)}>
              Go on writing
            </button>
            <button type="button" className="btn h-11" onClick={onClose}>
              Throw it away
            </button>
          </div>
        </div>
      )}
      <div className="p-5">{children}</div>
    </dialog>
  );
}
