import { randomUUID } from 'node:crypto';
import type { Consent, OfferedKit, OpenAnother, OtherLead, OtherShops, TakeKit } from '#contract/other-shops.ts';
import type { ShopChangeWhat } from '#contract/shop.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { ShopEntity, UserEntity } from '../store/entities.ts';
import type { KitPictureRepository } from '../store/kit-picture-repository.ts';
import type { PersonRepository } from '../store/person-repository.ts';
import type { ShopRepository } from '../store/shop-repository.ts';
import type { Caller } from './caller.ts';
import type { DraftError, KitDraftService } from './kit-draft-service.ts';
import type { SessionService } from './session-service.ts';

/** Shops of one installation: more are for a database of their own. */
const MOST_SHOPS = 40;

export type OtherShopError = { code: 'tooManyShops' | 'shopNameTaken' | 'unknownPerson' | 'notYourself' | 'lastLead' };
export type TakeKitError = DraftError | { code: 'unknownKit' };

export interface OtherShopParts {
  people: PersonRepository;
  shops: ShopRepository;
  catalog: CatalogRepository;
  pictures: KitPictureRepository;
  drafts: KitDraftService;
  sessions: SessionService;
  /** The wrenches that a shop may use have changed. */
  wrenchesChanged: (shopId: string) => void;
  now?: () => number;
}

const isWorkingLead = ({ role, leftAtMs, lockedAtMs }: UserEntity): boolean =>
  role === 'lead' && !leftAtMs && !lockedAtMs;

/**
 * The shops of one owner in one installation. Each is kept to itself; a lead may lead several, and a shop may let the
 * others have its kits and wrenches.
 */
export class OtherShopService {
  private readonly now: () => number;

  constructor(private readonly parts: OtherShopParts) {
    this.now = parts.now ?? Date.now;
  }

  async read({ shopId, person }: Caller): Promise<OtherShops> {
    const { people } = this.parts;
    const [shops, user, also] = await Promise.all([people.shops(), people.person(person.id), people.alsoLeads(shopId)]);
    const places = user ? await people.placesOf(user) : [shopId];
    const nameOf = (id: string) => shops.find((shop) => shop.id === id)?.name ?? '';
    const leadOf = ({ id, name, initials, shopId: own }: UserEntity): OtherLead => ({
      id,
      name,
      initials,
      shop: nameOf(own),
    });
    const others = places.filter((id) => id !== shopId);
    const leads = (await Promise.all(others.map((id) => people.people(id)))).flat().filter(isWorkingLead);
    const { sharesKits = false, wrenchPool = false } = shops.find(({ id }) => id === shopId) ?? {};
    return {
      shops: shops.filter(({ id }) => places.includes(id)).map(({ id, name }) => ({ id, name, here: id === shopId })),
      sharesKits,
      wrenchPool,
      leads: also.map(leadOf),
      candidates: leads.filter(({ id }) => !also.some((lead) => lead.id === id)).map(leadOf),
    };
  }

  /** Opens another shop, empty, led by whoever opens it. Nothing of this one is in it. */
  async open(
    caller: Caller,
    { name, bays }: Omit<OpenAnother, 'secret'>,
  ): Promise<Result<{ id: string }, OtherShopError>> {
    const { people, shops } = this.parts;
    const known = await people.shops();
    if (known.length >= MOST_SHOPS) return fail({ code: 'tooManyShops' });
    if (known.some((shop) => shop.name.toLowerCase() === name.toLowerCase())) return fail({ code: 'shopNameTaken' });
    const shop: ShopEntity = { id: randomUUID(), name, bays, houseRules: {}, secretDigits: 4 };
    await shops.openAnother(shop, caller.person, this.now());
    await this.parts.sessions.changed();
    return ok({ id: shop.id });
  }

  async setConsent({ shopId, person }: Caller, consent: Consent): Promise<void> {
    const { people, shops, wrenchesChanged } = this.parts;
    const shop = await people.shop(shopId);
    if (!shop) return;
    const changes = (['sharesKits', 'wrenchPool'] as const).flatMap((field): ShopChangeWhat[] => {
      const before = shop[field] ?? false;
      const change = { what: 'setting', field, from: String(before), to: String(consent[field]) } as const;
      return before === consent[field] ? [] : [change];
    });
    if (changes.length === 0) return;
    await shops.change(shopId, person, this.now(), changes, { shop: consent });
    wrenchesChanged(shopId);
  }

  /** Lets a lead of a shop that the caller leads too lead this one. */
  async addLead(caller: Caller, id: string): Promise<Result<{ id: string }, OtherShopError>> {
    const { candidates } = await this.read(caller);
    const found = candidates.find((lead) => lead.id === id);
    if (!found) return fail({ code: 'unknownPerson' });
    await this.parts.people.addAlsoLead(id, caller.shopId, this.now());
    await this.log(caller, { what: 'otherLead', person: found.name, shop: found.shop, did: 'letIn' });
    await this.parts.sessions.changed();
    return ok({ id });
  }

  /** Lets them lead it no more; what they have open here ends. */
  async dropLead(caller: Caller, id: string): Promise<Result<{ id: string }, OtherShopError>> {
    const { people } = this.parts;
    const { leads } = await this.read(caller);
    const found = leads.find((lead) => lead.id === id);
    if (!found) return fail({ code: 'unknownPerson' });
    if (id === caller.person.id) return fail({ code: 'notYourself' });
    const own = (await people.people(caller.shopId)).some(isWorkingLead);
    if (!own && leads.length === 1) return fail({ code: 'lastLead' });
    await people.dropAlsoLead(id, caller.shopId, this.now());
    await this.log(caller, { what: 'otherLead', person: found.name, shop: found.shop, did: 'putOut' });
    await this.parts.sessions.changed();
    return ok({ id });
  }

  private log({ shopId, person }: Caller, change: ShopChangeWhat): Promise<void> {
    return this.parts.shops.change(shopId, person, this.now(), [change], {});
  }

  /** Kits that other shops offer, by title. */
  async offered(shopId: string): Promise<OfferedKit[]> {
    const { people, catalog } = this.parts;
    const sharing = (await people.shops()).filter(({ id, sharesKits }) => sharesKits && id !== shopId);
    if (sharing.length === 0) return [];
    const here = await catalog.newestRevisions(shopId);
    const offers = await Promise.all(
      sharing.map(async ({ id: from, name }) =>
        (await catalog.kits(from)).map(({ id, title, maker, revision }): OfferedKit => {
          const own = here.get(id);
          return { shop: { id: from, name }, id, title, maker, revision, ...(own === undefined ? {} : { here: own }) };
        }),
      ),
    );
    return offers.flat().sort((a, b) => a.title.localeCompare(b.title, 'en'));
  }

  /** Takes a kit that another shop offers into this one's library, as a kit file is taken, with its pictures. */
  async take(
    caller: Caller,
    { shop, kit, because }: TakeKit,
  ): Promise<Result<{ id: string; revision: number; added: boolean }, TakeKitError>> {
    const { people, catalog, drafts, pictures } = this.parts;
    const from = await people.shop(shop);
    const offers = from?.sharesKits && from.id !== caller.shopId;
    const found = offers ? (await catalog.kits(shop)).find(({ id }) => id === kit) : undefined;
    if (!found) return fail({ code: 'unknownKit' });
    const text = JSON.stringify(found);
    const taken = await drafts.importKit(caller, text, because);
    if (taken.ok) await pictures.copy(shop, caller.shopId, text.match(/\b[0-9a-f]{64}\b/g) ?? []);
    return taken;
  }
}
