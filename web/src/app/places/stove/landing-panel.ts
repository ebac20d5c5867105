import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { SPOON_WORDS } from '@tureen/core/body';
import { NOTHING_KG } from '../figures';
import { Hand } from './hand';
import { LEAST_MPAS, bodyGauge, saltLines, type LandingLine } from './landing';

/**
 * What would land the salt and the body, at most three ways each, where the cook looks who has just read or tasted: in the
 * step in hand. While one is being poured, what is left of it.
 */
@Component({
  selector: 'tt-landing-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (hand.aimed(); as aim) {
      <p class="aim" role="status">{{ aim.text }}</p>
      @if (aim.done) {
        <button type="button" class="press way" (click)="again.emit(aim.then)">
          Look again <span class="soft">stirred first</span>
        </button>
      }
    } @else {
      @for (way of salt(); track way.key) {
        <button type="button" class="press way" (click)="land.emit(way)">
          {{ way.text }} <span class="soft">{{ way.also }}</span>
        </button>
      }
      @if (body().length > 0) {
        <p class="soft">{{ says() }}</p>
      }
      @if (words().length > 0) {
        @if (asking()) {
          <p class="soft">How should it be in the bowl?</p>
          <div class="words">
            @for (one of words(); track one.word) {
              <button type="button" class="press" (click)="ask(one.bodyMPas, one.word)">{{ one.word }}</button>
            }
          </div>
        } @else {
          <button type="button" class="press quiet" (click)="asking.set(true)">Ask for a body</button>
        }
      }
      @for (way of body(); track way.key) {
        @if (way.aim || way.ladleOutKg) {
          <button type="button" class="press way" (click)="land.emit(way)">
            {{ way.text }} <span class="soft">{{ way.also }}</span>
          </button>
        } @else {
          <p class="way">
            {{ way.text }} <span class="soft">{{ way.also }}</span>
          </p>
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
    }
    .way {
      display: block;
      width: 100%;
      height: auto;
      min-height: 56px;
      padding: 6px 14px;
      line-height: 1.25;
      text-align: left;
    }
    .way .soft {
      display: block;
      font-size: 15px;
      font-weight: 400;
    }
    .words {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(80px, 1fr));
      gap: 6px;
    }
    .words .press {
      padding: 0 4px;
    }
    .aim {
      font-weight: 700;
    }
  `,
})
export class LandingPanel {
  protected readonly hand = inject(Hand);
  readonly land = output<LandingLine>();
  readonly again = output<string>();
  /** A step that is still to salt says how much when it comes, and its gauge counts it until then: it is not said twice. */
  protected readonly salt = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return [];
    const toGo = new Map(view.toGoKg);
    return saltLines(view, this.hand.nameOf(), this.hand.units()).filter(
      ({ aim }) => aim !== undefined && (toGo.get(aim.lineId) ?? 0) <= NOTHING_KG,
    );
  });
  private readonly gauge = computed(() => {
    const view = this.hand.view();
    return view === undefined ? undefined : bodyGauge(view, this.hand.nameOf(), this.hand.units(), this.hand.nowMs());
  });
  protected readonly asking = signal(false);
  /** Of a card that asks for no body, the words that one can be asked for by, once there is a body to judge. */
  protected readonly words = computed(() => {
    const body = this.hand.view()?.body;
    return body === undefined || body.tooEarly || body.wantedMPas !== undefined || !(body.nowMPas > LEAST_MPAS) ? [] : SPOON_WORDS;
  });
  protected readonly body = computed(() => this.gauge()?.lines ?? []);
  protected readonly says = computed(() => this.gauge()?.says ?? '');

  protected ask(mPas: number, word: string): void {
    this.asking.set(false);
    this.hand.enter({ kind: 'wanted', mPas }, `Wanted: a body that ${word}.`);
  }
}
