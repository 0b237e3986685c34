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

/** What a key is called: `w`, `ArrowDown`, `Space`, `Shift+Space`, and `Mod+z` with Ctrl or Cmd held. */
function nameOf(event: KeyboardEvent): string {
  if (event.ctrlKey || event.metaKey) return `Mod+${event.key.toLowerCase()}`;
  if (event.key === ' ') return event.shiftKey ? 'Shift+Space' : 'Space';
  return event.key;
}

/**
 * Keys as commands: not while typing, not with Alt, not over an open dialog. The space bar is left to a button or a box that
 * has the focus.
 */
export function useKeys(commands: Record<string, (event: KeyboardEvent) => void>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.altKey || isTyping(event.target)) return;
      if (document.querySelector('dialog[open]') && event.key !== 'Escape') return;
      const command = commands[nameOf(event)];
      if (!command) return;
      const pressed = (event.target as HTMLElement | null)?.closest('button, a, input, summary, [role=slider]');
      if (event.key === ' ' && pressed) return;
      event.preventDefault();
      command(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [commands]);
}
