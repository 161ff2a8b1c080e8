import { connect, createServer, type Socket } from 'node:net';

/** A way to the database on loopback that can be made to stop, as a database does that hangs: connections stay, and nothing comes through. */
export async function openStallingProxy(databaseUrl: string): Promise<{ url: string; stall: () => void; go: () => void; close: () => Promise<void> }> {
  const url = new URL(databaseUrl);
  const [host, port] = [url.hostname, Number(url.port)];
  const sockets = new Set<Socket>();
  let isStalled = false;
  const server = createServer((near) => {
    const far = connect(port, host);
    for (const [from, to] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.add(from);
      from.on('error', () => to.destroy());
      from.on('close', () => {
        sockets.delete(from);
        to.destroy();
      });
      from.pipe(to);
      if (isStalled) from.pause();
    }
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  if (address === null || typeof address === 'string') throw new Error('the proxy has no port');
  url.port = String(address.port);
  const all = (does: (socket: Socket) => void) => {
    for (const socket of sockets) does(socket);
  };
  return {
    url: url.href,
    stall: () => {
      isStalled = true;
      all((socket) => socket.pause());
    },
    go: () => {
      isStalled = false;
      all((socket) => socket.resume());
    },
    close: async () => {
      all((socket) => socket.destroy());
      await new Promise((resolve) => server.close(resolve));
    },
  };
}
