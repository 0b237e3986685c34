import { useEffect } from 'react';

/** A list of keys for a screen, as the key sheet shows them. */
export interface KeyHint {
  keys: string[];
  does: string;
}

/** True where a key is text, not a command. */
function isTyping(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  return Boolean(element?.closest('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]'));
}

/** Plain keys as commands: not while typing, not with Ctrl or Alt, not over an open dialog. */
export function useKeys(commands: Record<string, (event: KeyboardEvent) => void>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('dialog[open]') && event.key !== 'Escape') return;
      const command = commands[event.key];
      if (!command) return;
      event.preventDefault();
      command(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [commands]);
}
