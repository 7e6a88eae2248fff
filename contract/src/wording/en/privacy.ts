/**
 * What an owner is told of what a shop holds of them, line by line. What the law of the place asks beyond it, and for how
 * long work must stay on record, the shop adds: that differs, and nobody here knows it.
 */
import { say } from '../say.ts';
export const privacyNote = (shop: string): string[] => [
  say(
    '{shop} holds your name, how to reach you, and of your vehicle its plate, VIN, ratings, odometer readings, photos of the work, and what was fitted and torqued on it, when and by whom.',
    { shop },
  ),
  say(
    'It is held to do the work, to answer for it afterwards, and to tell you when something is due or a part is called back.',
  ),
  say(
    'It lies on the shop’s own server and its backups. From there it goes to nobody, but for programs of the shop that were given a key for it, and other shops of the same owner where a lead let them.',
  ),
  say(
    'On your wish you get all of it in files others can read, have it put right, or have name, contact, plate, VIN and notes taken out of the vehicle and of every record. What was torqued stays without your name: whoever fits has to be able to show what was done. Backups made before keep it until they are replaced.',
  ),
  say('Ask any lead of the shop. The law of the place says how long work must stay on record, and comes first.'),
];
