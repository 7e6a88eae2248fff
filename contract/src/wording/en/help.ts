/** What a screen is for, in the words of the people who stand before it. */
import { inLanguage } from '../say.ts';
export interface Help {
  title: string;
  what: string;
  /** What to do first, where somebody is here for the first time. */
  first?: readonly string[];
  /** Words of the trade and of this product that the screen uses. */
  words?: ReadonlyArray<readonly [word: string, meaning: string]>;
  /** Why it insists on something. */
  why?: readonly string[];
}

/** Help by the address of a screen; `*` stands for an id. The longest that fits counts. */
export const HELP: Readonly<Record<string, Help>> = inLanguage({
  '/': {
    title: 'Bays',
    what: 'The day, a row a bay. What needs a hand stands first: clocks that run out, joints whose locker sets, jobs that wait for a person.',
    first: [
      'Open a job with Receive.',
      'Press a job to go on where it stands.',
      'Press / to find a plate, a kit, a person or a calculation.',
    ],
    words: [
      ['Needs a hand', 'somebody must do something soon, or a thing spoils'],
      ['Promised', 'when the owner was told it would be ready'],
    ],
  },
  '/drill': {
    title: 'Drill',
    what: 'Jobs to practise on, with something wrong in them: in the bag, on the sheet, in the holes, in the hand. They run like real ones and stand nowhere among them.',
    first: [
      'Begin the first one: it is made of what you need most.',
      'When something is not right, press “Something is wrong here” and say what.',
      'End it, and read what came of what you did not find.',
    ],
    words: [
      [
        'Guided, plain, blank',
        'how much you are shown: words too; pieces, sheet and curve alone; nothing laid out for you',
      ],
      ['Seed', 'the number that puts the same faults in the same places again'],
    ],
    why: ['A mistake on a model costs nothing and teaches as much.'],
  },
  '/drill/verdict': {
    title: 'Verdict',
    what: 'What was wrong, whether you found it in time, what would have come of it, and one thing to do next time.',
    first: ['Read the red ones first.'],
  },
  '/drill/lay-out': {
    title: 'Lay it out',
    what: 'Before a blank drill: the order of each group, what goes on its threads, and the wrench.',
    first: ['Press the stations in the order you would tighten them.'],
  },
  '/drill/learners': {
    title: 'Who spots what',
    what: 'For leads: what each spots, by kind of fault, what they were asked to do, and what is signed off.',
    first: ['Choose somebody.', 'Ask for a drill, with a word why.'],
    why: ['What somebody did in a drill is theirs. Leads see what it says of them, and no more.'],
  },
  '/drill/make': {
    title: 'Make a drill',
    what: 'For leads: a drill from any released kit, with the faults you choose, where you choose.',
    first: [
      'Choose the kit.',
      'Let it place some faults, or place them yourself.',
      'Play it through before you put it on the shelf.',
    ],
  },
  '/receive': {
    title: 'Receive',
    what: 'Opens a visit: the vehicle, the kits, the questions their sheets ask of it, and where it will stand.',
    first: [
      'Find the vehicle, or write it down.',
      'Choose the kits; what does not fit says why.',
      'Answer what the sheets ask, and open the job.',
    ],
    why: [
      'A kit that does not fit the vehicle is refused here and not at the last bolt.',
      'The job keeps the kit’s revision and the house rules of today, whatever changes later.',
    ],
  },
  '/due': {
    title: 'Due',
    what: 'What owners are to come back for after their jobs, by the day it is likely to be: a date the sheet gives, or the day the vehicle will have gone the distance.',
    first: [
      'Ring or write to whoever stands under Overdue and Today.',
      'Pull it again opens a short visit with just those joints; signed, it settles what was due.',
      'Write to the owner: the text is proposed, you read it first. Nobody is told twice, and nothing goes out at night.',
      'Say what became of it: done here, elsewhere, or not wanted. What an owner reported by their page waits for your word.',
    ],
    words: [
      ['Expected', 'the distance still to go, by what the vehicle went between its visits'],
      ['Four of five', 'the days between which it is in four cases of five; wide where its history is short'],
    ],
    why: [
      'What repeats is due again from when it was done, so the odometer then is asked for.',
      'A re-torque asks of each joint whether it turned before it clicked: one that turned has settled, and those beside it are pulled once more, since their load is another now.',
      'A joint whose locker has set is not chosen by itself: a pull breaks the bond, the stripe tells.',
      'The calendar file keeps each item’s name in it: a calendar that takes the file again moves what has moved.',
    ],
  },
  '/handbook': {
    title: 'Why it is so',
    what: 'The reasons behind what is asked and refused, each with a picture, one thing to do and where it comes from; all on one page, to be read through or printed.',
    why: [
      'A rule that nobody understands is got round. The same reason stands where something is refused, under Why is that?',
    ],
  },
  '/book': {
    title: 'Book',
    what: 'Everything ever pulled, found by plate, owner, kit, station, wrench, verdict and day; and what all of it says of one kit.',
    first: [
      'Type any words: each must be found somewhere in the pull. Take all that answers as CSV.',
      'A kit: how its final pulls lie in their band, what its steps take, and where jobs with it went otherwise than its sheet says.',
      'Write to the maker: a letter with what was found, and no owner, plate or person in it.',
    ],
    why: [
      'The book is made from the records and proves nothing by itself: the record does.',
      'Whose pulls somebody looks for is that person’s business and the leads’: others find nothing by a name.',
    ],
  },
  '/vehicles': {
    title: 'Vehicles',
    what: 'Every vehicle the shop knows, by plate, owner, make or VIN, each with what was fitted to it and pulled on it.',
    first: ['Write down a vehicle here or at Receive.', 'Many at once: The shop, Moving in.'],
  },
  '/vehicles/owners': {
    title: 'Owners',
    what: 'Who brings vehicles, each with what they bring. Who may be written twice stands first.',
    first: ['Look at what may be double; make them one under the right name, or leave them.'],
    why: [
      'Records keep the owner as they were made: making two one changes the vehicles’ cards alone, and is taken back with one press.',
      'On an owner’s wish a lead gives them all that is held, or takes them out of every vehicle and record. What was torqued stays, as the law on the work asks.',
    ],
  },
  '/vehicles/recall': {
    title: 'Call back',
    what: 'Every vehicle that carries what turned out wrong: a kit’s revision, a class of bolts, a lot of a bottle, or what a wrench pulled while it was out.',
    first: [
      'Say by what, and find the vehicles. What stands in the shop now is marked.',
      'Take the list as a table, or write to all owners; who cannot be written to is named.',
    ],
    why: [
      'A wrench that failed its calibration has been wrong since some time after the one before: take that as from.',
    ],
  },
  '/vehicles/*': {
    title: 'A vehicle',
    what: 'Its card, what it carries beyond its maker’s, and every visit with every joint.',
    words: [
      ['Ratings', 'what its own plate says it may weigh, by axle and in all; never worked out'],
      ['Fitted', 'what is on it that alters how kits go on'],
      ['Uses of a bolt', 'how often a bolt of the vehicle went back in; one that is used up is a new one next time'],
    ],
    why: ['An owner’s wish to be forgotten takes the personal facts out of every record; what was pulled stays.'],
  },
  '/kits': {
    title: 'Kits',
    what: 'The library: what the shop fits, revision by revision, and drafts that are being written.',
    first: [
      'Read a maker’s sheet: its words become a draft.',
      'Or add a kit file.',
      'Clear the findings, run it dry, release it.',
    ],
    words: [
      ['Draft', 'being written; no job can be opened with it'],
      ['Release', 'a revision that never changes again; a lead answers for warnings that stand'],
      ['Take back', 'no new job begins with it; open jobs are told'],
    ],
  },
  '/kits/*': {
    title: 'A kit’s revisions',
    what: 'What changed from one sheet to the next, who let it in, which warnings stand, and which jobs and vehicles have it.',
  },
  '/kits/read': {
    title: 'Read a sheet',
    what: 'The sheet’s own words, and what was understood of them. Nothing is taken that you have not seen.',
    first: [
      'Paste the text or open the file.',
      'Go through what is to be checked: Enter takes it, what is wrong you correct.',
      'Make the draft.',
    ],
    words: [
      ['To check', 'the sheet can be read in more than one way, and no program should choose'],
      ['Target', 'a torque to tighten to; ceilings, stages and figures of other things are no targets'],
    ],
    why: ['A wrong torque read with certainty is worse than one that is asked back.'],
  },
  '/kits/drafts/*': {
    title: 'Write a kit',
    what: 'Packing list, bolt map, stacks, groups, steps, questions, a dry run, and what the lint finds.',
    words: [
      ['Station', 'one place that is tightened'],
      ['Group', 'stations that are tightened together, in an order'],
      ['Stack', 'what the bolt goes through, head to nut'],
      ['Dry run', 'the kit played through before it is on a vehicle'],
    ],
    why: ['Errors keep a kit from being released; warnings may stand with a lead’s reason.'],
  },
  '/bench': {
    title: 'Bench',
    what: 'The trade’s arithmetic by itself: torque and preload, angle, adapters, cure, drills, wheels, clamps. Every result says its formula and its source.',
    why: ['An aid for a choice, never a figure for a joint whose maker gives one.'],
  },
  '/crib': {
    title: 'Crib: wrenches',
    what: 'The torque wrenches on the wall, what each may pull, when it is due, and what its checks said.',
    first: ['Add a wrench, or bring a list: The shop, Moving in.', 'Make a check-pull each morning.'],
    words: [
      ['Check-pull', 'three pulls on the tester at 60 % of full scale'],
      ['Calibration', 'five readings at 20, 60 and 100 % of full scale, with a certificate'],
      ['Locked', 'a check found it out of limits: nothing is taken from it until a calibration is good'],
      ['In doubt', 'what it pulled between its last good check and the one that failed'],
    ],
    why: ['A wrench past its date or its 5000 pulls is refused on the floor (ISO 6789-1:2017).'],
  },
  '/crib/tools': {
    title: 'Crib: sockets and tools',
    what: 'What hangs where, and who has it. A tool that is out for a job keeps that job from being closed.',
  },
  '/crib/compounds': {
    title: 'Crib: compounds',
    what: 'Bottles by lot, what is left in them by count, and whether they are still good: their date, the months since they were opened, the store’s thermometer.',
    why: ['A bead from a bottle that went off is refused: it may never set.'],
  },
  '/crib/fasteners': {
    title: 'Crib: fasteners',
    what: 'The shop’s own bolts, nuts and washers, drawer by drawer. What a job takes is counted off; a short kit is made up from here.',
  },
  '/crib/reorder': {
    title: 'Crib: reorder',
    what: 'What runs out, goes off or is due, with the reason, as a list for the supplier.',
  },
  '/shop': {
    title: 'The shop',
    what: 'Who works here, in what role, and how the house works where the trade disagrees and no sheet decides.',
    words: [
      ['House rule', 'a job keeps those it was opened with; where one bent, the record says by whom'],
      ['Lead', 'alone lifts a refusal, releases warnings, sets the rules'],
      ['Apprentice', 'works, and answers for nothing; has a mentor'],
    ],
  },
  '/shop/tablets': {
    title: 'Tablets',
    what: 'Which devices are known, how another is let in by name, and how one that went astray is put out.',
    first: [
      'Let the tablet trust this server: the code, the authority, the letters compared.',
      'Give it a name and let its camera read its own code.',
    ],
    why: ['Putting one out ends what is open on it at once; what it has not sent is not taken any more.'],
  },
  '/shop/moving-in': {
    title: 'Moving in',
    what: 'Vehicles, wrenches, tools, compounds, fasteners, people and kits from another program, and the whole shop out again.',
    first: ['Choose what the file is.', 'See what its columns mean.', 'Look at every line; bring them in.'],
    why: [
      'Nothing is half-brought: one faulty line keeps all out, unless you leave it out.',
      'The last import goes out again while nothing of it is in use.',
    ],
  },
  '/shop/programs': {
    title: 'Programs',
    what: 'Keys for a till or web shop that opens visits, and programs that are told when a visit is opened or closed.',
    words: [
      ['Key', 'shown once, kept as a hash; what it may do is ticked when it is made'],
      ['Signature', 'what a listening program checks, so that nobody tells it lies in the shop’s name'],
    ],
  },
  '/shop/other-shops': {
    title: 'Other shops',
    what: 'Your shops on this installation, who of another leads this one too, and what it lets the others have.',
    words: [
      ['Wrench pool', 'shops that say so pull with each other’s wrenches'],
      ['Lead of several', 'signs in where the tablet is, or goes to another shop under their initials'],
    ],
    why: ['Nobody sees anything of a shop they do not work in.'],
  },
  '/jobs/*/receive': {
    title: 'The visit',
    what: 'The vehicle as it came, the answers the plan was made from, what must be there before work begins, and what was measured first.',
    words: [
      ['Prerequisite', 'something the sheet asks of the vehicle before the first bolt'],
      ['Baseline', 'a value measured before, to hold the one after against'],
    ],
    why: ['An answer that changes changes the plan; what was done already stays, and the screen says what it means.'],
  },
  '/jobs/*/conflicts': {
    title: 'Conflicts',
    what: 'Where two kits of one visit want different things of the same place: a shared bolt, an order, a figure.',
    why: ['Two sheets never saw each other: a person decides, by name, and the record says so.'],
  },
  '/jobs/*/readiness': {
    title: 'Readiness',
    what: 'Whether the day can begin: hardware, wrenches in reach and in date, sockets, compounds, skills, the bay.',
    first: ['Order what is short.', 'Fetch what is missing.', 'Then take the vehicle apart, not before.'],
  },
  '/jobs/*/card': {
    title: 'Job card',
    what: 'The job on paper, for a glove box or a wall.',
  },
  '/jobs/*/check-in': {
    title: 'Check in',
    what: 'Every bag counted and every piece held against the packing list, before anything is taken off the vehicle.',
    first: ['Space: the line is all here. Or type what you counted.', 'Lay it out by the tray map.'],
    words: [
      ['Look-alike', 'two pieces of the kit that differ by little: length, class, pitch'],
      ['Damaged', 'counted, and not used'],
    ],
    why: [
      'A short bag found now is a telephone call; found at the last bolt it is a vehicle on the lift over the weekend.',
    ],
  },
  '/jobs/*/screen': {
    title: 'Second screen',
    what: 'Follows the work of the tablet in the bay: for the wall, read six metres off, or for whoever lends a hand, who is told what to hold and when to let go. Nothing is recorded on it.',
    why: ['The hand that holds does not see the figure, and lets go too early; or holds on, and is in the way.'],
  },
  '/jobs/*/line': {
    title: 'The line',
    what: 'The job as one line of acts in the order the sheets and the trade require. Each says what to do, takes what was measured, and leads to the next.',
    first: [
      'Do what the big words say.',
      'Space or the bar when it is done; a number where one is asked.',
      'P when something is wrong.',
    ],
    words: [
      ['Started by hand', 'a few turns with the fingers, so that no thread is crossed'],
      ['Snug', 'run down until it touches, with little torque'],
      ['Stage, pass', 'once round the group at a share of the figure, and once more at all of it'],
      ['Verify pass', 'once round at full torque: none may turn'],
      ['Clock', 'what runs since a bead went on, or until something has cooled or set'],
      ['Curve', 'torque over angle of a pull: its shape shows a crossed thread, a bottomed bolt, a joint that settles'],
      ['Load left', 'what a bolt still holds after the ones beside it were pulled, by a model of the plate'],
      ['Owed', 'what came off and has not gone back, and what the vehicle may not leave without'],
    ],
    why: [
      'A joint is tightened in its group’s order because each bolt takes clamp from its neighbours.',
      'What is refused says why, and who may let it pass.',
      'Without the network it goes on: what you do is kept here and sent by itself.',
    ],
  },
  '/jobs/*/close-out': {
    title: 'Close out',
    what: 'What is left over, what is still out, what was not done and why, and the signature.',
    why: [
      'Who signs sees first what departed from the plan. A tool still out, a bolt not accounted for, a clock that runs: none of them is signed over.',
    ],
  },
  '/jobs/*/second-look': {
    title: 'Second look',
    what: 'What is finished, once more and by other eyes: another pull, the stripe across head and part, or whether a plug sits and is latched. The first readings are not shown.',
    words: [
      ['Stripe', 'the line drawn across head and part when it was at torque: broken, something turned'],
      ['Finding', 'what a second look disagrees with: it keeps the job open until it is cleared'],
    ],
    why: [
      'Who knows the first reading finds it again. Where a locker has set or an angle was turned, a pull would undo what it looks for: there the stripe tells.',
    ],
  },
  '/jobs/*/record': {
    title: 'The record',
    what: 'Every pull and every measure with who, when and by what, chained and sealed. It stands; what is found later is added beside it.',
    first: [
      'Hand over: the owner’s PDF, the same on one page, a windscreen label, and the pack with the record in it.',
      'Make the owner’s page: a link that opens this hand-over without signing in, until it runs out or you take it back.',
    ],
    words: [
      ['Chain', 'each entry carries the hash of the one before: one that was altered is seen'],
      ['Seal', 'what the job was opened with, and its end, signed with the shop’s key'],
      ['Deviation', 'where the work departed from the plan, with who decided'],
    ],
  },
});

/** The help of an address; undefined where there is none. */
export function helpOf(path: string): Help | undefined {
  const parts = path.split('/').filter(Boolean);
  const fits = (address: string): boolean => {
    const wanted = address.split('/').filter(Boolean);
    return wanted.length <= parts.length && wanted.every((part, at) => part === '*' || part === parts[at]);
  };
  const weight = (address: string): number =>
    address.split('/').filter(Boolean).length * 2 - (address.includes('*') ? 1 : 0);
  const [best] = Object.keys(HELP)
    .filter((address) => (address === '/' ? parts.length === 0 : fits(address)))
    .sort((a, b) => weight(b) - weight(a));
  return best === undefined ? undefined : HELP[best];
}
