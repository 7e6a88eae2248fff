import { create } from 'zustand';
import type { FromWrench, ToWrench } from '#contract/wrench-stream.ts';

/** What a live wrench gave at the end of a pull. */
export interface Reading {
  station: string;
  torqueNm: number;
  /** Degrees after the click. */
  angleDeg: number;
  movementDeg: number;
}

interface LiveWrenchState {
  wrenchId?: string;
  status: 'off' | 'connecting' | 'ready' | 'armed' | 'pulling' | 'lost';
  torqueNm: number;
  angleDeg: number;
  clicked: boolean;
  fault?: string;
  connect(wrenchId: string, onReading: (reading: Reading) => void): void;
  disconnect(): void;
  arm(task: Omit<Extract<ToWrench, { type: 'arm' }>, 'type'>): void;
  pull(speedDegPerS: number, overshootDeg: number): void;
}

/** The line to the live wrench in hand. A real wrench's bridge speaks the same: docs/formats/wrench-stream.md. */
export const useLiveWrench = create<LiveWrenchState>((set, get) => {
  let socket: WebSocket | undefined;
  let waiting: ToWrench | undefined;

  const say = (message: ToWrench) => {
    if (socket?.readyState === WebSocket.OPEN) socket.send(JSON.stringify(message));
    else if (message.type === 'arm') waiting = message;
  };

  return {
    status: 'off',
    torqueNm: 0,
    angleDeg: 0,
    clicked: false,
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
            if (waiting) say(waiting);
            waiting = undefined;
            break;
          case 'armed':
            set({ status: 'armed', torqueNm: 0, angleDeg: 0, clicked: false });
            break;
          case 'frame':
            set({ status: 'pulling', torqueNm: message.torqueNm, angleDeg: message.angleDeg });
            break;
          case 'click':
            set({ clicked: true });
            break;
          case 'end':
            set({ status: 'armed', torqueNm: message.peakNm });
            onReading({
              station: message.station,
              torqueNm: message.peakNm,
              angleDeg: message.angleDeg,
              movementDeg: message.movementDeg,
            });
            break;
          case 'fault':
            set({ fault: message.message });
            break;
        }
      };
      opened.onclose = () => {
        if (socket === opened) set({ status: 'lost' });
      };
    },
    disconnect() {
      const old = socket;
      socket = undefined;
      old?.close();
      set({ wrenchId: undefined, status: 'off', torqueNm: 0, angleDeg: 0, clicked: false });
    },
    arm: (task) => say({ type: 'arm', ...task }),
    pull(speedDegPerS, overshootDeg) {
      if (get().status !== 'armed') return;
      set({ status: 'pulling', torqueNm: 0, angleDeg: 0, clicked: false });
      say({ type: 'pull', speedDegPerS, overshootDeg });
    },
  };
});
