import {
  type UseQueryResult,
  useInfiniteQuery,
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useCallback } from 'react';
import type { BookAnswer, BookSearch, KitBook, KitCurves, WrenchBook } from '#contract/book.ts';
import type { Crib } from '#contract/crib.ts';
import type { DayDocument } from '#contract/day.ts';
import type { AssignmentCard, AttemptCard, DrillCard, LearnerCard } from '#contract/drill.ts';
import type { DueItem } from '#contract/due.ts';
import type { JobCard, RecordCheck } from '#contract/job.ts';
import type { DraftCard, KitCard, KitReach, RevisionCard } from '#contract/kit-draft.ts';
import type { Brought, MovedIn, RowVerdict } from '#contract/moving-in/brought.ts';
import type { OfferedKit, OtherShops } from '#contract/other-shops.ts';
import type { Outside } from '#contract/outside.ts';
import type { MessageDraft, OwnerMessage } from '#contract/owner-message.ts';
import type { OwnerLink } from '#contract/owner-page.ts';
import type { ProblemCode } from '#contract/problem.ts';
import type { RecallBy, RecallHit } from '#contract/recall.ts';
import type { SignInOptions } from '#contract/session.ts';
import type { ShopSettings } from '#contract/shop.ts';
import type { Tablets } from '#contract/tablet.ts';
import type { VehicleHistory } from '#contract/vehicle.ts';
import type { ReorderLine } from '#core/crib/bottle.ts';
import type { ShelfLine } from '#core/crib/shelf.ts';
import type { RetorqueChoice } from '#core/hand-over/retorque-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { api, call, ProblemError } from './api.ts';
import { failureText } from './failure-text.ts';

/** What was read, or why it could not be; both where an older answer still stands. */
export interface Read<Data> {
  data?: Data;
  failure?: string;
  reload(): Promise<void>;
  /** The last answer was a problem of this kind: an address that leads nowhere is no failure of the line. */
  problem?: ProblemCode;
}

const codeOf = (error: Error): ProblemCode | undefined =>
  error instanceof ProblemError ? error.problem.code : undefined;

const readOf = <Data>({ data, error, refetch }: UseQueryResult<Data>): Read<Data> => ({
  data,
  // A session that ran out shows itself.
  failure: error && codeOf(error) !== 'notSignedIn' ? failureText(error) : undefined,
  problem: error ? codeOf(error) : undefined,
  reload: async () => void (await refetch()),
});

/** Every reading has its name here: what changes something names what is to be read anew. */
const KEYS = {
  jobs: ['jobs'],
  wrenches: ['wrenches'],
  kits: ['kits'],
  library: ['library'],
  drafts: ['drafts'],
  lexicon: ['lexicon'],
  crib: ['crib'],
  shelf: ['shelf'],
  drills: ['drills'],
  settings: ['settings'],
  movedIn: ['moved-in'],
  tablets: ['tablets'],
  programs: ['programs'],
  otherShops: ['other-shops'],
  offered: ['offered-kits'],
  people: ['sign-in'],
  vehicles: ['vehicles'],
  due: ['due'],
  links: ['links'],
  messages: ['messages'],
} as const satisfies Record<string, readonly string[]>;
export type KeyName = keyof typeof KEYS;

/** Jobs planned between two instants, and those still open from before. */
export const useJobs = (fromMs: number, toMs: number, everyMs?: number, wanted = true): Read<JobCard[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.jobs, fromMs, toMs],
      queryFn: async () =>
        (await call(api.jobs.$get({ query: { from: String(fromMs), to: String(toMs) } }))) as JobCard[],
      refetchInterval: everyMs,
      enabled: wanted,
    }),
  );

/** What the shop's days are planned from; made anew with the jobs. */
export const useDays = (fromMs: number, toMs: number, everyMs?: number): Read<DayDocument> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.jobs, 'days', fromMs, toMs],
      queryFn: async () =>
        (await call(api.days.$get({ query: { from: String(fromMs), to: String(toMs) } }))) as DayDocument,
      refetchInterval: everyMs,
    }),
  );

export const useWrenches = (everyMs?: number): Read<Wrench[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.wrenches,
      queryFn: async () => (await call(api.wrenches.$get())) as Wrench[],
      refetchInterval: everyMs,
    }),
  );

/** The newest released revision of every kit, whole. */
export const useKits = (): Read<KitDocument[]> =>
  readOf(useQuery({ queryKey: KEYS.kits, queryFn: async () => (await call(api.kits.$get())) as KitDocument[] }));

/** Minutes the shop itself took for each kit, by kit id; what is not known yet is left out. */
export function useOwnMinutes(kits: readonly string[]): { minutes: Record<string, number[]>; failure?: string } {
  const answers = useQueries({
    queries: kits.map((id) => ({
      queryKey: [...KEYS.kits, id, 'minutes'],
      queryFn: () => call(api.kits[':id'].minutes.$get({ param: { id } })),
    })),
  });
  const error = answers.find((answer) => answer.error)?.error;
  return {
    minutes: Object.fromEntries(kits.flatMap((id, at) => (answers[at]?.data ? [[id, answers[at].data]] : []))),
    failure: error ? failureText(error) : undefined,
  };
}

/** Cards of the kits a shop has released. */
export const useLibrary = (): Read<KitCard[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.library,
      queryFn: async () => (await call(api['kit-library'].library.$get())) as KitCard[],
    }),
  );

/** Cards of the kits being written. */
export const useDrafts = (): Read<DraftCard[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.drafts,
      queryFn: async () => (await call(api['kit-library'].drafts.$get())) as DraftCard[],
    }),
  );

/** A kit's released revisions, newest first. */
export const useRevisions = (kit: string): Read<RevisionCard[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.library, kit, 'revisions'],
      queryFn: async () =>
        (await call(api['kit-library'][':id'].revisions.$get({ param: { id: kit } }))) as RevisionCard[],
    }),
  );

/** Whom a revised sheet concerns. */
export const useKitReach = (kit: string): Read<KitReach> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.library, kit, 'reach'],
      queryFn: async () => (await call(api['kit-library'][':id'].reach.$get({ param: { id: kit } }))) as KitReach,
    }),
  );

/** One revision of a kit; not asked for while none is named. */
export const useRevision = (kit: string, revision: number | undefined): Read<KitDocument> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.library, kit, 'revision', revision],
      queryFn: async () =>
        (await call(
          api['kit-library'][':id'].revisions[':revision'].$get({ param: { id: kit, revision: String(revision) } }),
        )) as KitDocument,
      enabled: revision !== undefined,
      // A released revision never changes.
      staleTime: Number.POSITIVE_INFINITY,
    }),
  );

/** The shop's own words for products, for the sheet reader. */
export const useLexicon = (): Read<ShopWord[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.lexicon,
      queryFn: async () => (await call(api['kit-library'].lexicon.$get())) as ShopWord[],
    }),
  );

export const useCribRead = (everyMs?: number): Read<Crib> =>
  readOf(
    useQuery({
      queryKey: KEYS.crib,
      queryFn: async () => (await call(api.crib.$get())) as Crib,
      refetchInterval: everyMs,
    }),
  );

/** The shop's own fasteners, drawer by drawer. */
export const useShelf = (wanted = true): Read<ShelfLine[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.shelf,
      queryFn: async () => (await call(api.shelf.$get())) as ShelfLine[],
      enabled: wanted,
    }),
  );

/** Drills on the shop's shelf. */
export const useDrills = (): Read<DrillCard[]> =>
  readOf(useQuery({ queryKey: KEYS.drills, queryFn: async () => (await call(api.drills.$get())) as DrillCard[] }));

/** What whoever is signed in did so far. */
export const useAttempts = (): Read<AttemptCard[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.drills, 'attempts'],
      queryFn: async () => (await call(api.drills.attempts.$get())) as AttemptCard[],
    }),
  );

/** What whoever is signed in tells, by kind of fault. */
export const useMastery = (): Read<LearnerCard | null> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.drills, 'mastery'],
      queryFn: async () => (await call(api.drills.mastery.$get())) as LearnerCard | null,
    }),
  );

export const useAssignments = (): Read<AssignmentCard[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.drills, 'assignments'],
      queryFn: async () => (await call(api.drills.assignments.$get())) as AssignmentCard[],
    }),
  );

/** What everybody tells: for leads. */
export const useLearners = (): Read<LearnerCard[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.drills, 'learners'],
      queryFn: async () => (await call(api.drills.learners.$get())) as LearnerCard[],
    }),
  );

/** What to order or send away; read anew whenever the crib is. */
export const useReorder = (): Read<ReorderLine[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.crib, 'reorder'],
      queryFn: async () => (await call(api.crib.reorder.$get())) as ReorderLine[],
    }),
  );

export const useVehicles = (): Read<Vehicle[]> =>
  readOf(useQuery({ queryKey: KEYS.vehicles, queryFn: async () => (await call(api.vehicles.$get())) as Vehicle[] }));

/** What owners are to come back for, and what became of it of late. */
export const useDue = (): Read<DueItem[]> =>
  readOf(useQuery({ queryKey: KEYS.due, queryFn: async () => (await call(api.due.$get())) as DueItem[] }));

/** Messages to owners; asked again while some are under way. */
export const useMessages = (): Read<OwnerMessage[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.messages,
      queryFn: async () => (await call(api.messages.$get())) as OwnerMessage[],
      refetchInterval: ({ state: { data } }) =>
        data?.some(({ state }) => state === 'waiting' || state === 'sent') ? 5000 : false,
    }),
  );

/** What would be sent of something due. */
export const useMessageDraft = (job: string, care: string): Read<MessageDraft> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.messages, 'draft', job, care],
      queryFn: async () => (await call(api.messages.draft.$get({ query: { job, care } }))) as MessageDraft,
      gcTime: 0,
    }),
  );

/** Pages of the book that answer to a search, the newest first; asked again while jobs are still being written into it. */
export function useBook(asked: Partial<BookSearch>) {
  const query = useInfiniteQuery({
    queryKey: ['book', asked],
    initialPageParam: {} as Partial<Pick<BookSearch, 'beforeMs' | 'beforeJob' | 'beforeId'>>,
    queryFn: async ({ pageParam }) =>
      (await call(api.book.$get({ query: { ...asked, ...pageParam } as never }))) as BookAnswer,
    getNextPageParam: ({ pulls, more }) => {
      const last = pulls.at(-1);
      return more && last ? { beforeMs: last.atMs, beforeJob: last.job, beforeId: last.id } : undefined;
    },
    refetchInterval: ({ state: { data } }) => ((data?.pages[0]?.behind ?? 0) > 0 ? 1500 : false),
    placeholderData: (before) => before,
  });
  return {
    pulls: query.data?.pages.flatMap(({ pulls }) => pulls),
    behind: query.data?.pages[0]?.behind ?? 0,
    more: query.hasNextPage,
    busy: query.isFetching,
    next: () => void query.fetchNextPage(),
    failure: query.error && codeOf(query.error) !== 'notSignedIn' ? failureText(query.error) : undefined,
  };
}

/** What the book says of a kit. */
export const useKitBook = (kit: string, revision?: number): Read<KitBook> =>
  readOf(
    useQuery({
      queryKey: ['book', 'kit', kit, revision],
      queryFn: async () =>
        (await call(
          api.book.kit.$get({ query: { kit, ...(revision === undefined ? {} : { revision }) } as never }),
        )) as KitBook,
      refetchInterval: ({ state: { data } }) => ((data?.behind ?? 0) > 0 ? 1500 : false),
    }),
  );

/** The curves of a station over the revisions of its kit. */
export const useKitCurves = (kit: string, station: string): Read<KitCurves> =>
  readOf(
    useQuery({
      queryKey: ['book', 'curves', kit, station],
      queryFn: async () => (await call(api.book.kit.curves.$get({ query: { kit, station } }))) as KitCurves,
    }),
  );

/** How a wrench read against how much it had pulled. */
export const useWrenchBook = (wrench: string): Read<WrenchBook> =>
  readOf(
    useQuery({
      queryKey: ['book', 'wrench', wrench],
      queryFn: async () => (await call(api.book.wrench.$get({ query: { wrench } }))) as WrenchBook,
      refetchInterval: ({ state: { data } }) => ((data?.behind ?? 0) > 0 ? 1500 : false),
    }),
  );

/** Vehicles that answer to a recall; not asked for while nobody has said by what. */
export const useRecall = (by: RecallBy | undefined): Read<RecallHit[]> =>
  readOf(
    useQuery({
      queryKey: ['recall', by],
      queryFn: async () => (await call(api.recalls.$get({ query: by as never }))) as RecallHit[],
      enabled: by !== undefined,
      gcTime: 0,
    }),
  );

/** Joints of a signed job that may be pulled again. */
export const useRetorqueChoices = (job: string, care: string): Read<RetorqueChoice[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.due, 'retorque', job, care],
      queryFn: async () => (await call(api.due.retorque.$get({ query: { job, care } }))) as RetorqueChoice[],
    }),
  );

/** Links to the owner's page of a job. */
export const useOwnerLinks = (job: string): Read<OwnerLink[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.links, job],
      queryFn: async () =>
        (await call(api['hand-overs'][':jobId'].links.$get({ param: { jobId: job } }))) as OwnerLink[],
    }),
  );

/** A vehicle with every visit it had. */
export const useVehicleHistory = (id: string): Read<VehicleHistory> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.vehicles, id],
      queryFn: async () => (await call(api.vehicles[':id'].$get({ param: { id } }))) as VehicleHistory,
    }),
  );

/** Things of the crib lent for a job and not back. Offline the last answer stands, and the server asks when it closes. */
export const useToolsOutRead = (job: string, everyMs: number | undefined): Read<string[]> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.crib, 'out', job],
      queryFn: () => call(api.jobs[':jobId']['tools-out'].$get({ param: { jobId: job } })),
      enabled: everyMs !== undefined,
      refetchInterval: everyMs,
    }),
  );

/** Whether a job's record is what was recorded, as far as `seq`, and whether it is all there. */
export const useChain = (job: string, seq: number): Read<RecordCheck> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.jobs, job, 'chain', seq],
      queryFn: () => call(api.jobs[':jobId'].record.$get({ param: { jobId: job } })),
      placeholderData: (before) => before,
    }),
  );

/** Who may sign in here; asked again until the server answers. */
/** The shop as its leads set it. */
/** Keys and listeners of other programs. */
export const usePrograms = (everyMs: number): Read<Outside> =>
  readOf(
    useQuery({
      queryKey: KEYS.programs,
      queryFn: async () => (await call(api.programs.$get())) as Outside,
      refetchInterval: everyMs,
    }),
  );

/** Every device somebody has signed in on; asked again every so often, for they come in by themselves. */
export const useTablets = (everyMs: number): Read<Tablets> =>
  readOf(
    useQuery({
      queryKey: KEYS.tablets,
      queryFn: async () => (await call(api.tablets.$get())) as Tablets,
      refetchInterval: everyMs,
    }),
  );

/** What the shop brought along, the newest first. */
export const useMovedIn = (): Read<MovedIn[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.movedIn,
      queryFn: async () => (await call(api['moving-in'].$get())) as MovedIn[],
    }),
  );

/** What would become of rows; not asked for while there are none. */
export const useBroughtVerdicts = (brought: Brought | undefined): Read<RowVerdict[]> & { asking: boolean } => {
  const query = useQuery({
    queryKey: [...KEYS.movedIn, 'preview', brought],
    queryFn: async () => (await call(api['moving-in'].preview.$post({ json: brought as Brought }))) as RowVerdict[],
    enabled: brought !== undefined,
    gcTime: 0,
  });
  return { ...readOf(query), asking: query.isFetching };
};

export const useShopSettings = (wanted: boolean): Read<ShopSettings> =>
  readOf(
    useQuery({
      queryKey: KEYS.settings,
      queryFn: async () => (await call(api.shop.$get())) as ShopSettings,
      enabled: wanted,
    }),
  );

/** The owner's other shops. */
export const useOtherShops = (): Read<OtherShops> =>
  readOf(
    useQuery({
      queryKey: KEYS.otherShops,
      queryFn: async () => (await call(api['other-shops'].$get())) as OtherShops,
    }),
  );

/** Kits that other shops offer. */
export const useOfferedKits = (): Read<OfferedKit[]> =>
  readOf(
    useQuery({
      queryKey: KEYS.offered,
      queryFn: async () => (await call(api['other-shops'].kits.$get())) as OfferedKit[],
    }),
  );

/** Who may sign in. @param shop - where somebody chose one; left out, the tablet's */
export const useSignInOptions = (wanted: boolean, shop?: string): Read<SignInOptions> =>
  readOf(
    useQuery({
      queryKey: [...KEYS.people, shop ?? ''],
      queryFn: () => call(api.session.options.$get({ query: { shop } })),
      enabled: wanted,
      retry: true,
      retryDelay: 3000,
      staleTime: Number.POSITIVE_INFINITY,
    }),
  );

export interface Change {
  /** Does it, and reads anew what it changed. True when it was done; `failure` says why not otherwise. */
  act(work: () => Promise<unknown>): Promise<boolean>;
  busy: boolean;
  failure?: string;
  clearFailure(): void;
}

/** Something done at the server that changes what was read under these names. */
export function useChange(...changed: KeyName[]): Change {
  const client = useQueryClient();
  const { mutateAsync, isPending, error, reset } = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onSuccess: () => Promise.all(changed.map((name) => client.invalidateQueries({ queryKey: KEYS[name] }))),
  });
  const act = useCallback(
    async (work: () => Promise<unknown>) => {
      try {
        await mutateAsync(work);
        return true;
      } catch (failure) {
        // Only what a person can do something about is answered here; a defect of ours goes on.
        failureText(failure);
        return false;
      }
    },
    [mutateAsync],
  );
  return { act, busy: isPending, failure: error ? failureText(error) : undefined, clearFailure: reset };
}
