import { type Ask, askId, type Line } from './lines.ts';

/** All that a line looks by. */
export interface DrawnLine {
  line: Line;
  /** in hand */
  current: boolean;
  chosen: boolean;
  /** a box to choose it by */
  choosing: boolean;
  /** days back for which marks are written */
  back: number;
  more: boolean;
  /** one of hundreds */
  far: boolean;
}

/** Whether a line would be drawn the same: what its buttons do depends on nothing else. */
export function sameLine(before: DrawnLine, after: DrawnLine): boolean {
  return (
    before.line.pot === after.line.pot &&
    before.line.site.today === after.line.site.today &&
    before.line.done === after.line.done &&
    asked(before.line) === asked(after.line) &&
    before.current === after.current &&
    before.chosen === after.chosen &&
    before.choosing === after.choosing &&
    before.back === after.back &&
    before.more === after.more &&
    before.far === after.far
  );
}

const asked = ({ pot, asks, counts }: Line) => [...asks.map((ask: Ask) => askId(pot.id, ask)), ...counts].join(' ');
