/** Which tables of a database are a shop's, in an order in which each finds what it points to. */
export interface TablePlan {
  name: string;
  /** Rows of the shop: an SQL condition with one `?`, the shop's id. */
  where: string;
  /** What is nobody's business outside this server: secrets, and what only opens doors here. */
  without?: readonly string[];
  /** A column of bytes, kept as a file of its own. */
  bytes?: string;
}

const OF_SHOP = 'shop_id = ?';
const OF_JOB = 'job_id IN (SELECT id FROM job WHERE shop_id = ?)';
const OF_USER = 'user_id IN (SELECT id FROM user WHERE shop_id = ?)';

export const ARCHIVED: readonly TablePlan[] = [
  { name: 'shop', where: 'id = ?' },
  { name: 'user', where: OF_SHOP, without: ['secret_hash'] },
  { name: 'shop_change', where: OF_SHOP },
  { name: 'moved_in', where: OF_SHOP },
  { name: 'vehicle', where: OF_SHOP },
  { name: 'kit', where: OF_SHOP },
  { name: 'kit_draft', where: OF_SHOP },
  { name: 'kit_picture', where: OF_SHOP, bytes: 'bytes' },
  { name: 'wrench', where: OF_SHOP },
  { name: 'wrench_check', where: OF_SHOP },
  { name: 'tool', where: OF_SHOP },
  { name: 'bottle', where: OF_SHOP },
  { name: 'bottle_note', where: 'bottle_id IN (SELECT id FROM bottle WHERE shop_id = ?)' },
  { name: 'store_reading', where: OF_SHOP },
  { name: 'shelf', where: OF_SHOP },
  // Devices stay known by what they signed; the token in their cookie does not leave.
  { name: 'device', where: OF_SHOP, without: ['token_hash'] },
  { name: 'device_key', where: OF_USER },
  { name: 'passkey', where: OF_USER },
  { name: 'job', where: OF_SHOP },
  { name: 'job_event', where: OF_JOB },
  { name: 'job_device', where: OF_JOB },
  { name: 'photo', where: OF_JOB, bytes: 'bytes' },
  { name: 'loan', where: OF_SHOP },
  { name: 'bottle_use', where: OF_JOB },
  { name: 'recheck_settled', where: OF_JOB },
  { name: 'due_settled', where: OF_SHOP },
  { name: 'owner_report', where: OF_SHOP },
  { name: 'owner_message', where: OF_SHOP },
  { name: 'owner_refusal', where: OF_SHOP },
  { name: 'drill', where: OF_SHOP },
  { name: 'drill_attempt', where: OF_SHOP },
  { name: 'drill_assignment', where: OF_SHOP },
];

/** Tables that stay behind, and why. */
export const LEFT_BEHIND: Readonly<Record<string, string>> = {
  migrations: 'of the database, not of the shop',
  session: 'who is signed in here now',
  also_lead: 'leads of the owner’s other shops, who are not in it',
  secret_attempt: 'wrong PINs of the last hour',
  shop_opening: 'the console’s code',
  pairing: 'codes that let tablets in here',
  api_key: 'other programs get keys of the new place',
  api_request: 'goes with its key',
  book_job: 'made anew from the events',
  book_pull: 'made anew from the events',
  book_step: 'made anew from the events',
  book_trouble: 'made anew from the events',
  owner_link: 'opens a page of this server, which signed it',
  webhook: 'who listens here, with the secret it trusts',
  telling: 'goes with its listener',
  spent: 'codes of these servers that count once',
  news: 'what these servers tell each other',
};
