import type { LineTransport } from './line-transport.ts';

/** An instrument behind a bridge program: a plain WebSocket, text frames in whatever pieces. */
export function socketTransport(address: string): LineTransport {
  let socket: WebSocket | undefined;
  let away = false;
  return {
    name: address,
    open: (onText, onLost) =>
      new Promise((resolve, reject) => {
        const opened = new WebSocket(address);
        socket = opened;
        let answered = false;
        opened.onopen = () => {
          answered = true;
          resolve();
        };
        opened.onmessage = (event: MessageEvent) => onText(String(event.data));
        opened.onclose = () => {
          if (!answered) reject(new Error(`${address} does not answer.`));
          else if (!away) onLost();
        };
      }),
    write(text) {
      if (socket?.readyState === WebSocket.OPEN) socket.send(text);
    },
    close() {
      away = true;
      socket?.close();
    },
  };
}
