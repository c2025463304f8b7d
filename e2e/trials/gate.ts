import type { AddressInfo, Server, Socket } from 'node:net';
import { connect, createServer } from 'node:net';

/** Stands between a program and a server on this machine, and can cut the two off from one another. */
export class Gate {
  private readonly sockets = new Set<Socket>();
  private isShut = false;

  private constructor(
    private readonly server: Server,
    private readonly port: number,
  ) {}

  static async before(port: number): Promise<Gate> {
    const server = createServer();
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const gate = new Gate(server, port);
    server.on('connection', (socket) => gate.pass(socket));
    return gate;
  }

  /** The same address, through the gate. */
  through(address: string): string {
    const url = new URL(address);
    url.port = String((this.server.address() as AddressInfo).port);
    return url.href;
  }

  /** Lets nothing through from now on: what is said is swallowed, as on a line that is cut. */
  shut(): void {
    this.isShut = true;
    for (const socket of this.sockets) socket.pause();
  }

  /** Lets everything through again; connections of before are broken. */
  open(): void {
    this.isShut = false;
    for (const socket of this.sockets) socket.destroy();
  }

  async close(): Promise<void> {
    for (const socket of this.sockets) socket.destroy();
    await new Promise((resolve) => this.server.close(resolve));
  }

  private pass(inner: Socket): void {
    const outer = connect(this.port, '127.0.0.1');
    for (const [from, to] of [
      [inner, outer],
      [outer, inner],
    ] as const) {
      this.sockets.add(from);
      from.on('error', () => undefined);
      from.on('close', () => {
        this.sockets.delete(from);
        to.destroy();
      });
      from.on('data', (part) => {
        if (!this.isShut) to.write(part);
      });
      if (this.isShut) from.pause();
    }
  }
}
