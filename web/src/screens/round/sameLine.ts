import { type Ask, askId, type Line } from './lines.ts';

interface Drawn {
  line: Line;
  current: boolean;
  chosen: boolean;
  choosing: boolean;
  back: number;
  more: boolean;
}

/** Whether a line would be drawn the same: what its buttons do depends on nothing else. */
export function sameLine(before: Drawn, after: Drawn): boolean {
  return (
    before.line.pot === after.line.pot &&
    before.line.site.today === after.line.site.today &&
    before.line.done === after.line.done &&
    asked(before.line) === asked(after.line) &&
    before.current === after.current &&
    before.chosen === after.chosen &&
    before.choosing === after.choosing &&
    before.back === after.back &&
    before.more === after.more
  );
}

const asked = ({ pot, asks, counts }: Line) => [...asks.map((ask: Ask) => askId(pot.id, ask)), ...counts].join(' ');
