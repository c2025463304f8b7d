import { Refusal } from '@plindo/core/values';
import type { Request, Response } from 'express';
import { PlaceDto } from '../dto/people-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

/** Proxies commonly cut a connection on which nothing comes for 60 s. */
const BREATH_IN_MS = 25_000;

export function eventRoutes({ openDesks }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/events',
      permission: 'read listings',
      summary: 'What others change, as server-sent events, for as long as the connection is open.',
      sends: 'text/event-stream',
      handle(call) {
        const stream = new EventStream(call.request, call.response);
        const stop = openDesks.listen(
          signedIn(call),
          (event) => stream.send(event),
          () => stream.end(),
        );
        if (!stop) throw Refusal.of('desk.too-many');
        stream.open(stop);
      },
    }),
    route({
      method: 'post',
      path: '/desk',
      permission: 'read listings',
      summary: 'Say in which listing a Desk is; answers who else has it open.',
      body: PlaceDto,
      answers: 'string[]',
      handle: (call) => openDesks.stand(signedIn(call), call.body.desk, call.body.listing),
    }),
  ];
}

/** An answer that goes on (WHATWG HTML, 9.2: server-sent events). */
class EventStream {
  private breathing: NodeJS.Timeout | undefined;

  constructor(
    private readonly request: Request,
    private readonly response: Response,
  ) {}

  open(closed: () => void): void {
    // Neither the answer's packing nor a proxy may hold events back.
    this.response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    this.response.set('X-Accel-Buffering', 'no');
    this.response.flushHeaders();
    this.response.write(': open\n\n');
    this.breathing = setInterval(() => this.response.write(': \n\n'), BREATH_IN_MS);
    this.request.on('close', () => {
      clearInterval(this.breathing);
      closed();
    });
  }

  send(event: object): void {
    this.response.write(`data: ${JSON.stringify(event)}\n\n`);
  }

  end(): void {
    clearInterval(this.breathing);
    this.response.end();
  }
}
