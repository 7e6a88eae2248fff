import type { SheetStep } from '../../sheet/step-split.ts';

/** `Repeat for the passenger side`, `Repeat steps 3 to 9 on the other side`, `Now do the right side the same way`: a step of its own. */
const OTHER_SIDE =
  /^\W*(?:now |then |next |finally |and )*(?:repeat(?: (?:the )?(?:procedure|process|work|installation|all|everything|above|these steps|steps? (\d{1,2})(?:\s*(?:-|–|to|through|thru)\s*(\d{1,2}))?))*,?\s+(?:for|on|at)|(?:do|fit|install) (?:the same|likewise)(?: thing)? (?:for|on|at)|(?:the )?same (?:work |again |procedure )?(?:for|on|at)|do) (?:the )?(?:other|opposite|passenger(?:'s|s)?|driver(?:'s|s)?|left|right|second|remaining)(?:[- ]hand)? side\b/i;

/** Whether a later step of the sheet does again on the other side what is done at a step. */
export function doneOnOtherSide(steps: readonly SheetStep[], at: number): boolean {
  const own = Number.parseInt(steps[at]?.number ?? '', 10);
  return steps.some((step, later) => {
    const said = later > at && step.number !== steps[at]?.number ? OTHER_SIDE.exec(step.text) : null;
    if (!said) return false;
    const [, from, to] = said;
    if (from === undefined) return true;
    return own >= Number(from) && own <= Number(to ?? from);
  });
}
