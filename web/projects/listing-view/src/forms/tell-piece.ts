import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { DOCUMENT } from '@angular/common';
import type { PieceModelOf } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

const INTENTS = ['wrong', 'mine'] as const;

/** With which visitors tell what is wrong with a listing, or that it is theirs. Without scripts they are asked for a sum before it is sent. */
@Component({
  selector: 'pl-tell-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    @for (intent of offered(); track intent) {
      <details [attr.id]="isTried(intent) ? 'tell' : null" [open]="isTried(intent)">
        <summary>{{ say(intent === 'wrong' ? 'tell.wrong' : 'tell.mine') }}</summary>
        <form
          class="asks"
          method="post"
          enctype="multipart/form-data"
          [action]="'/tell/' + own.listingId + (canSend(intent) ? '/send' : '/look')"
          (submit)="send($event)"
          (focusin)="begin()"
          (input)="begin()"
        >
          <input type="hidden" name="path" [attr.value]="own.path" />
          <input type="hidden" name="place" value="tell" />
          <input type="hidden" name="intent" [attr.value]="intent" />
          @if (canSend(intent)) {
            <input type="hidden" name="token" [attr.value]="own.attempt?.token" />
            <p>{{ own.attempt?.message }}</p>
            <label class="asked">
              {{ own.attempt?.sum }}
              <input name="sum" inputmode="numeric" autocomplete="off" />
            </label>
            @if (faultOf('sum'); as fault) {
              <p class="fault">{{ fault }}</p>
            }
          } @else {
            <label class="trap" aria-hidden="true">
              {{ say('form.trap') }}
              <input name="fax" tabindex="-1" autocomplete="off" />
            </label>
            <label class="asked">
              {{ say(intent === 'wrong' ? 'tell.what' : 'tell.who') }}
              <textarea name="message" rows="4" maxlength="4000">{{ own.attempt?.message }}</textarea>
            </label>
            @if (isTried(intent) && faultOf('message'); as fault) {
              <p class="fault">{{ fault }}</p>
            }
            <label class="asked">
              {{ say('form.name') }}
              <input name="sender.name" autocomplete="name" [attr.value]="own.attempt?.sender?.name ?? ''" />
            </label>
            <label class="asked">
              {{ say('form.email') }}
              <input
                name="sender.email"
                type="email"
                autocomplete="email"
                [attr.value]="own.attempt?.sender?.email ?? ''"
              />
            </label>
            @if (isTried(intent) && faultOf('sender.email'); as fault) {
              <p class="fault">{{ fault }}</p>
            }
            <p class="help">{{ say('tell.hint') }}</p>
          }
          @if (failure()) {
            <p class="fault" role="alert">{{ failure() }}</p>
          }
          <p class="acts">
            <button type="submit" class="main" [disabled]="isBusy()">{{ say('tell.send') }}</button>
          </p>
        </form>
      </details>
    }
  `,
})
export class TellPiece {
  readonly piece = input.required<PieceModelOf<'tell'>>();

  protected readonly say = sayOnPage();
  protected readonly isBusy = signal(false);
  protected readonly failure = signal('');
  private readonly faults = linkedSignal(() => this.piece().attempt?.faults ?? []);
  private readonly tried = linkedSignal(() => this.piece().attempt?.intent ?? null);
  private begun: Promise<string> | null = null;
  private readonly location = inject(DOCUMENT).defaultView?.location;
  protected readonly offered = computed(() => {
    const { canTell, canClaim } = this.piece();
    return INTENTS.filter((intent) => (intent === 'wrong' ? canTell : canClaim));
  });

  protected isTried(intent: string): boolean {
    return this.tried() === intent;
  }

  protected canSend(intent: string): boolean {
    const { attempt } = this.piece();
    return attempt?.intent === intent && attempt.sum !== '';
  }

  protected faultOf(field: string): string {
    return this.faults().find((one) => one.field === field)?.message ?? '';
  }

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // Somebody may have begun before the program had.
    afterNextRender(() => host.querySelector('details[open]') && this.begin());
  }

  /** Says to the server that somebody begins to write, so that it knows how long they took. */
  protected begin(): void {
    this.begun ??= this.tokenOfBeginning();
  }

  private async tokenOfBeginning(): Promise<string> {
    const { lookOver } = await import('./form-calls');
    const nothing = new FormData();
    nothing.set('intent', 'wrong');
    // Who can't be heard now is told so when they send.
    return lookOver(`/tell/${this.piece().listingId}`, nothing).then(
      ({ token }) => token,
      () => '',
    );
  }

  /** With scripts it is sent at once, as the browser solves the puzzle by itself. */
  protected async send(event: Event): Promise<void> {
    const form = event.target as HTMLFormElement;
    const { listingId, attempt } = this.piece();
    if (attempt && this.canSend(attempt.intent)) return;
    event.preventDefault();
    if (this.isBusy()) return;
    this.isBusy.set(true);
    this.failure.set('');
    const { FormRefusal, lookOver, sendForm } = await import('./form-calls');
    const { proofOf } = await import('./proof');
    try {
      const sent = new FormData(form);
      sent.set('token', (await this.begun) ?? '');
      this.tried.set(sent.get('intent') === 'mine' ? 'mine' : 'wrong');
      const { token, faults } = await lookOver(`/tell/${listingId}`, sent);
      this.faults.set(faults);
      if (faults.length > 0) return;
      const answer = await sendForm(`/tell/${listingId}`, token, await proofOf(token));
      if ('href' in answer) this.location?.assign(answer.href);
      else this.faults.set(answer.faults);
    } catch (error) {
      this.failure.set((error instanceof FormRefusal && error.message) || this.say('form.failed'));
    } finally {
      this.isBusy.set(false);
    }
  }
}
