import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { DeviceCommand } from '#contract/acts.ts';
import {
  Device,
  fitter,
  guardUpToTorque,
  openGuard,
  outcomes,
  SigningDevice,
  startTestServer,
  type TestServer,
} from './harness.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const signing = async (person = 'u-vane', pin = '2468') => {
  const device = new SigningDevice(server);
  expect((await device.signIn(person, pin)).status).toBe(201);
  return device;
};
const COUNT: DeviceCommand = { type: 'countLine', item: 'm1', found: 6, damaged: 0 };
const LIFT: DeviceCommand = { type: 'override', refusal: 'outOfOrder', station: 'g1', reason: 'as the maker says' };

describe('a fitter on a tablet where the lead was signed in', () => {
  it('cannot act as the lead: not by name, not with their own key, not with the lead’s key’s name', async () => {
    const tablet = await signing('u-orrin', '1357');
    const leadsKey = tablet.key;
    await tablet.signIn('u-vane', '2468');
    const job = await openGuard(tablet);
    const byName = tablet.input(LIFT, { by: 'u-orrin' });
    const mine = (await tablet.signed(job, LIFT)) as { text: string; key: string };
    const asLead = JSON.stringify({ ...JSON.parse(mine.text), by: 'u-orrin' });
    const ownKey = { ...mine, text: asLead, signature: await tablet.sign(asLead) };
    const borrowed = { ...ownKey, key: leadsKey };
    expect(outcomes(await tablet.sendRaw(job, [byName, ownKey, borrowed]))).toEqual(Array(3).fill('notSignedInThen'));
    expect((await tablet.job(job)).events).toEqual([]);
  });
  it('nor from elsewhere with what the lead’s tablet signed', async () => {
    const leads = await signing('u-orrin', '1357');
    const job = await openGuard(leads);
    const stolen = await leads.signed(job, COUNT);
    const elsewhere = await signing();
    expect(outcomes(await elsewhere.sendRaw(job, [stolen]))).toEqual(['notSignedInThen']);
    // On its own device it counts, whoever's session brings it in.
    await leads.signIn('u-tamsin', '3690');
    const { events } = await leads.sendRaw(job, [stolen]);
    expect(events[0]?.event.by.name).toBe('Rafe Orrin');
  });
  it('nor by changing what was signed, or by moving it to another job', async () => {
    const tablet = await signing();
    const job = await openGuard(tablet);
    const other = await openGuard(tablet);
    const signed = (await tablet.signed(job, COUNT)) as { id: string; text: string };
    const more = { ...signed, text: signed.text.replace('"found":6', '"found":9') };
    expect(outcomes(await tablet.sendRaw(job, [more]))).toEqual(['notSignedInThen']);
    expect(outcomes(await tablet.sendRaw(other, [signed]))).toEqual(['notSignedInThen']);
    expect(outcomes(await tablet.sendRaw(job, [{ ...signed, text: 'not json' }]))).toEqual(['commandUnreadable']);
    expect(outcomes(await tablet.sendRaw(job, [signed]))).toEqual(['taken']);
  });
});

describe('what others answer for', () => {
  it('needs a proof of its own: being signed in is not enough, nor is the key of what one does', async () => {
    const lead = await signing('u-orrin', '1357');
    const job = await openGuard(lead);
    const bare = { ...(await lead.signed(job, LIFT)), proof: undefined };
    const { text } = bare as unknown as { text: string };
    const wrongKey = { ...bare, proof: { kind: 'pin', signature: await lead.sign(`proof\n${text}`) } };
    // A proof that was made for another command.
    const another = (await lead.signed(job, LIFT)) as { proof: object };
    const moved = { ...bare, proof: another.proof };
    for (const forged of [bare, wrongKey, moved])
      expect(outcomes(await lead.sendRaw(job, [forged]))).toEqual(['proofMissing']);
    const { events } = await lead.sendRaw(job, [await lead.signed(job, LIFT)]);
    expect(events[0]?.event).toMatchObject({ type: 'overrideGranted', proof: 'pin', signingKey: lead.key });
  });
  it('over plain http by leave of the server, for the one command and for this person', async () => {
    const lead = await fitter(server, 'u-orrin', '1357');
    const job = await openGuard(lead);
    const input = lead.input(LIFT);
    const ask = (secret: string, command = input.id) => lead.request('POST', '/api/session/leave', { secret, command });
    expect((await ask('0000')).status).toBe(401);
    const { leave } = (await (await ask('1357')).json()) as { leave: string };
    const proof = { kind: 'leave' as const, leave };
    expect(outcomes(await lead.sendRaw(job, [{ ...lead.input(LIFT), proof }]))).toEqual(['proofMissing']);
    expect(outcomes(await lead.sendRaw(job, [{ ...input, proof: { kind: 'leave', leave: 'guessed' } }]))).toEqual([
      'proofMissing',
    ]);
    expect(outcomes(await lead.sendRaw(job, [{ ...input, proof }]))).toEqual(['taken']);
  });
  it('a job is signed by the one who closes it', async () => {
    const device = await fitter(server);
    const job = await openGuard(device);
    const answer = await device.send(job, device.input({ type: 'close', signature: 'Rafe Orrin' }));
    expect(outcomes(answer)).toEqual(['signatureNotYours']);
  });
});

describe('a session that ended while the tablet was away', () => {
  it('and another person on the tablet: the first one’s pulls come in under the first one', async () => {
    const tablet = await signing();
    const job = await openGuard(tablet);
    await tablet.send(job, ...guardUpToTorque.map((command) => tablet.input(command)));
    const pull: DeviceCommand = {
      type: 'pull',
      station: 'g2',
      torqueNm: 10.2,
      wrench: 'w-1',
      source: 'typed',
      pass: 0,
    };
    const queued = await tablet.signed(job, pull);
    await server.source.query('UPDATE session SET expires_at_ms = 1 WHERE device_id = ?', [tablet.id]);
    await tablet.signIn('u-tamsin', '3690');
    const { events } = await tablet.sendRaw(job, [queued]);
    expect(events[0]?.event).toMatchObject({ type: 'pullRecorded', by: { name: 'Mira Vane' } });
  });
  it('a hand-over made without the server counts on its own device, and not after signing out', async () => {
    const tablet = await signing('u-tamsin', '3690');
    const mine = { purpose: 'handOver', device: tablet.id, person: 'u-tamsin', atMs: Date.now() };
    const over = async (said: object, which: 'session' | 'proof' = 'proof') => {
      const text = JSON.stringify({ ...mine, ...said });
      return { text, key: tablet.key, signature: await tablet.sign(text, which) };
    };
    const good = await over({});
    const elsewhere = new Device(server);
    await elsewhere.signIn('u-vane', '2468');
    expect((await elsewhere.request('POST', '/api/session/hand-over', good)).status).toBe(401);
    for (const bad of [
      await over({}, 'session'),
      await over({ person: 'u-orrin' }),
      await over({ device: elsewhere.id }),
      await over({ atMs: Date.now() - 15 * 3_600_000 }).then((sent) => ({ ...sent, text: `${sent.text} ` })),
      { ...good, text: '{' },
    ])
      expect((await tablet.request('POST', '/api/session/hand-over', bad)).status).toBe(401);
    const taken = await tablet.request('POST', '/api/session/hand-over', good);
    expect(taken.status).toBe(201);
    expect(await taken.json()).toMatchObject({ person: { id: 'u-tamsin' }, key: tablet.key });
    expect((await tablet.request('DELETE', '/api/session')).status).toBe(204);
    expect((await tablet.request('POST', '/api/session/hand-over', good)).status).toBe(401);
  });
});

describe('two tablets that did not hear of each other', () => {
  it('both pull pass 1: it counts once, the second is a repeat for both to see, and nothing is verified by it', async () => {
    const [left, right] = [await signing(), await signing('u-tamsin', '3690')];
    const job = await openGuard(left);
    await left.send(job, ...guardUpToTorque.map((command) => left.input(command)));
    const pull: DeviceCommand = {
      type: 'pull',
      station: 'g2',
      torqueNm: 10.2,
      wrench: 'w-1',
      source: 'typed',
      pass: 0,
    };
    const queued = [await left.signed(job, pull), await right.signed(job, { ...pull, torqueNm: 10.4 })];
    expect(outcomes(await left.sendRaw(job, queued.slice(0, 1)))).toEqual(['taken']);
    expect(outcomes(await right.sendRaw(job, queued.slice(1)))).toEqual(['taken']);
    const { events } = await left.job(job);
    expect(events.slice(-2).map(({ event }) => event.type)).toEqual(['pullRecorded', 'pullRepeated']);
    expect(events.at(-1)?.event).toMatchObject({ station: 'g2', pass: 0, by: { name: 'Tamsin Quell' } });
    // The next station is due, not this one's verify pass.
    const next = await left.sendRaw(job, [await left.signed(job, { ...pull, station: 'g5' })]);
    expect(outcomes(next)).toEqual(['taken']);
  });
});
