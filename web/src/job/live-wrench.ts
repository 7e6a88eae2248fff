import { create } from 'zustand';
import type { PairFault } from '#contract/instrument/instrument-line.ts';
import { say } from '#contract/wording/say.ts';
import type { FromWrench, ToWrench } from '#contract/wrench-stream.ts';
import { useSettings } from '../shop/settings.ts';
import { type LineTransport, WHO } from './instrument/line-transport.ts';

/** What a live wrench gave at the end of a pull. */
export interface Reading {
  station: string;
  torqueNm: number;
  /** Degrees after the click. */
  angleDeg: number;
  movementDeg: number;
  gradientShare?: number;
  /** Torque over angle over time, packed. */
  trace?: string;
  /** The server's code over the reading, with which a pull counts as live. */
  issued?: string;
}

type Hand = Omit<Extract<ToWrench, { type: 'pull' }>, 'type'>;

interface LiveWrenchState {
  wrenchId?: string;
  status: 'off' | 'connecting' | 'ready' | 'armed' | 'pulling' | 'lost';
  torqueNm: number;
  angleDeg: number;
  clicked: boolean;
  /** Pulls that came to an end on this line: after each the wrench must be armed anew. */
  ends: number;
  fault?: string;
  /** What a paired instrument lacks: nothing is pulled with it until that is mended. */
  pairFault?: PairFault;
  /** A real instrument on this tablet, in the place of the stand-in. */
  instrument?: {
    wrenchId: string;
    name: string;
    status: 'opening' | 'open' | 'lost';
    serial?: string;
    battery?: number;
  };
  /** What is wrong with the stand-in's joint, to be tried out; not kept. */
  standInFault?: Hand['fault'];
  connect(wrenchId: string, onReading: (reading: Reading) => void): void;
  disconnect(): void;
  arm(task: Omit<Extract<ToWrench, { type: 'arm' }>, 'type'>): void;
  pull(hand: Omit<Hand, 'fault'>): void;
  tryFault(fault: Hand['fault']): void;
  /** Hangs a real instrument on the line of the wrench in hand; undefined when it is open, else why it is not. */
  pair(transport: LineTransport): Promise<string | undefined>;
  unpair(): void;
}

/** Wait before a lost line is tried again, ms. */
const RECONNECT_MS = 3000;

/** The line to the live wrench in hand. A real wrench's bridge speaks the same: docs/formats/wrench-stream.md. */
export const useLiveWrench = create<LiveWrenchState>((set, get) => {
  let socket: WebSocket | undefined;
  /** The way to the paired instrument. */
  let instrument: LineTransport | undefined;
  /** The last task, to be said again when the line comes back. */
  let task: ToWrench | undefined;
  /** A press between an arming and its answer, for the station that is armed: pulled as soon as the wrench stands on it. */
  let held: { station: string; hand: Omit<Hand, 'fault'> } | undefined;
  /** The station whose arming has not been answered. */
  let arming: string | undefined;

  const send = (message: ToWrench) => {
    if (message.type === 'arm') task = message;
    if (socket?.readyState === WebSocket.OPEN) socket.send(JSON.stringify(message));
  };

  /** The server hears from here on what the instrument of this wrench says; it is asked who it is. */
  const greet = () => {
    const paired = get().instrument;
    if (!instrument || paired?.status !== 'open' || paired.wrenchId !== get().wrenchId) return;
    send({ type: 'pair' });
    instrument.write(WHO);
  };

  /** The real instrument that hung on this tablet before the page was read anew. */
  const retake = async (wrenchId: string) => {
    if (instrument || useSettings.getState().paired?.wrenchId !== wrenchId) return;
    const { rememberedLine } = await import('./instrument/remembered-line.ts');
    const line = await rememberedLine(wrenchId);
    if (get().wrenchId !== wrenchId || instrument) return;
    const failed = line ? await get().pair(line) : say('It has to be chosen again.');
    if (failed)
      set({ fault: say('The instrument of this wrench was not found: {failed} W, then its line.', { failed }) });
  };

  return {
    status: 'off',
    torqueNm: 0,
    angleDeg: 0,
    clicked: false,
    ends: 0,
    connect(wrenchId, onReading) {
      get().disconnect();
      set({ wrenchId, status: 'connecting', fault: undefined });
      const opened = new WebSocket(`${location.origin.replace(/^http/, 'ws')}/api/devices/wrenches/${wrenchId}/stream`);
      socket = opened;
      opened.onmessage = (event: MessageEvent<string>) => {
        if (socket !== opened) return;
        const message = JSON.parse(event.data) as FromWrench;
        switch (message.type) {
          case 'ready':
            set({ status: 'ready' });
            greet();
            if (task) send(task);
            break;
          case 'paired': {
            const { serial, battery } = message;
            const paired = get().instrument;
            set({ pairFault: undefined, fault: undefined, instrument: paired && { ...paired, serial, battery } });
            break;
          }
          case 'tell':
            instrument?.write(message.text);
            break;
          case 'armed':
            set({ status: 'armed', torqueNm: 0, angleDeg: 0, clicked: false, fault: undefined, pairFault: undefined });
            if (arming === message.station) arming = undefined;
            if (held?.station === message.station) {
              const { hand } = held;
              held = undefined;
              get().pull(hand);
            }
            break;
          case 'frame':
            set({ status: 'pulling', torqueNm: message.torqueNm, angleDeg: message.angleDeg });
            break;
          case 'click':
            set({ clicked: true });
            break;
          case 'end':
            // Not armed: the next station may want another torque, and a pull before that would be lost.
            set({ status: 'ready', torqueNm: message.peakNm, ends: get().ends + 1 });
            onReading({
              station: message.station,
              torqueNm: message.peakNm,
              angleDeg: message.angleDeg,
              movementDeg: message.movementDeg,
              gradientShare: message.gradientShare,
              trace: message.trace,
              issued: message.issued,
            });
            break;
          case 'fault':
            set({ fault: message.message, pairFault: message.code });
            break;
        }
      };
      void retake(wrenchId);
      opened.onclose = () => {
        if (socket !== opened) return;
        set({ status: 'lost' });
        setTimeout(() => {
          if (socket === opened) get().connect(wrenchId, onReading);
        }, RECONNECT_MS);
      };
    },
    disconnect() {
      const old = socket;
      socket = undefined;
      arming = undefined;
      held = undefined;
      old?.close();
      set({ wrenchId: undefined, status: 'off', torqueNm: 0, angleDeg: 0, clicked: false });
    },
    arm(next) {
      // Until it answers it stands on what it was told before: a pull now would be for that, and lost.
      if (get().status === 'armed') set({ status: 'ready' });
      arming = next.station;
      if (held?.station !== next.station) held = undefined;
      send({ type: 'arm', ...next });
    },
    pull(hand) {
      // A real one is pulled by a real hand.
      if (get().instrument?.status === 'open') return;
      if (get().status === 'ready' && arming !== undefined) held = { station: arming, hand };
      if (get().status !== 'armed') return;
      set({ status: 'pulling', torqueNm: 0, angleDeg: 0, clicked: false });
      send({ type: 'pull', ...hand, fault: get().standInFault });
    },
    tryFault: (standInFault) => set({ standInFault }),
    async pair(transport) {
      get().unpair();
      const wrenchId = get().wrenchId;
      if (wrenchId === undefined) return say('No wrench is in hand.');
      instrument = transport;
      set({ instrument: { wrenchId, name: transport.name, status: 'opening' } });
      const changed = (status: 'open' | 'lost') => {
        const now = get().instrument;
        if (now && instrument === transport) set({ instrument: { ...now, status } });
      };
      try {
        await transport.open(
          (text) => {
            if (instrument === transport) send({ type: 'heard', text });
          },
          () => {
            changed('lost');
            send({ type: 'unheard' });
          },
        );
      } catch (error) {
        if (instrument === transport) get().unpair();
        return error instanceof Error ? error.message : String(error);
      }
      changed('open');
      greet();
      if (task) send(task);
      return undefined;
    },
    unpair() {
      const old = instrument;
      instrument = undefined;
      old?.close();
      const had = get().instrument !== undefined;
      set({ instrument: undefined, pairFault: undefined });
      // The server's line begins anew, with the stand-in.
      if (had) socket?.close();
    },
  };
});
