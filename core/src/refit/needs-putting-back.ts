/**
 * Words for something that is undone again: chocks, ties, props, what is folded or pulled back. Brushing a face or
 * reading a sheet leaves nothing to be put back. Common practice, no source.
 */
const PUT_BACK =
  /^\W*(?:(?:carefully|then|now|first)\W+)?(?:chock|tie|hang|prop|support|brace|block|wedge|tape|cover|mask|plug|cap|fold|pull back|peel back|push aside|unclip|unhook|undo|unlatch|unlock|disable|isolate|switch off|turn off|open|move|shift|slide|swing|take|remove|lift|raise|jack|drain|drop|lower|release|slacken|loosen|clamp)\b/i;

/** Whether what a step says in words is owed its reverse. */
export const needsPuttingBack = (text: string): boolean => PUT_BACK.test(text);
