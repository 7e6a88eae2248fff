import type { SheetStep } from '../../sheet/step-split.ts';

/** `Repeat for the passenger side`, `Repeat steps 3 to 9 on the other side`, `Now do the right side the same way`: a step of its own. */
const OTHER_SIDE =
  /^\W*(?:now |then |next |finally |and )*(?:repeat(?: (?:the )?(?:procedure|process|work|installation|all|everything|above|these steps|steps? (\d{1,2})(?:\s*(?:-|–|to|through|thru)\s*(\d{1,2}))?))*,?\s+(?:for|on|at)|(?:do|fit|install) (?:the same|likewise)(?: thing)? (?:for|on|at)|(?:the )?same (?:work |again |procedure )?(?:for|on|at)|do) (?:the )?(?:other|opposite|passenger(?:'s|s)?|driver(?:'s|s)?|left|right|second|remaining)(?:[- ]hand)? side\b/i;

/** `PASSENGER SIDE`, and below it `Repeat steps 4 and 5`. */
const SIDE_TITLE =
  /^\W*(?:the )?(?:other|opposite|passenger(?:'s|s)?|driver(?:'s|s)?|left|right|second)(?:[- ]hand)? side\W*$/i;
const AGAIN =
  /^\W*repeat (?:steps?|operations?|points?) (\d{1,2})(?:\s*(?:-|–|to|through|thru|and|&)\s*(\d{1,2}))?\W*$/i;

/** Steps that do it again on the other side, by their sheet, found once. */
const known = new WeakMap<readonly SheetStep[], Array<{ at: number; number?: string; from?: number; to?: number }>>();
function otherSides(steps: readonly SheetStep[]) {
  const made =
    known.get(steps) ??
    steps.flatMap(({ text, number }, at) => {
      const said = OTHER_SIDE.exec(text) ?? (SIDE_TITLE.test(steps[at - 1]?.text ?? '') ? AGAIN.exec(text) : null);
      if (!said) return [];
      const [, from, to] = said;
      return [{ at, number, ...(from === undefined ? {} : { from: Number(from), to: Number(to ?? from) }) }];
    });
  known.set(steps, made);
  return made;
}

/** Whether a later step of the sheet does again on the other side what is done at a step. */
export function doneOnOtherSide(steps: readonly SheetStep[], at: number): boolean {
  const number = steps[at]?.number;
  const own = Number.parseInt(number ?? '', 10);
  return otherSides(steps).some(
    (later) =>
      later.at > at &&
      later.number !== number &&
      (later.from === undefined || (own >= later.from && own <= (later.to ?? later.from))),
  );
}
