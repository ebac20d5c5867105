import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { takenOver, type WriteBack } from '@tureen/core/batch';
import { bodyWord } from '@tureen/core/body';
import { stepName, type NameOf } from '@tureen/core/messages';
import { walk } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import type { BatchView } from '../../cooking/batch-view';
import { Soups } from '../../services/soups';
import { day, mass } from '../figures';

/** The card beside what was done, item by item: what is ticked becomes the soup's next version. */
@Component({
  selector: 'tt-write-back',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzCheckboxModule, RouterLink],
  template: `
    <h2>Put back into the card</h2>
    @if (saved(); as version) {
      <p role="status">Saved as version {{ version }}. <a class="press" [routerLink]="['/shelf', soupId()]">See the card</a></p>
    } @else if (items().length === 0) {
      <p class="soft">Cooked as the card says: nothing to put back.</p>
    } @else {
      <ul>
        @for (item of items(); track item.key) {
          <li>
            <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- NG-ZORRO puts the input inside -->
            <label nz-checkbox [nzChecked]="ticked().has(item.key)" (nzCheckedChange)="tick(item.key, $event)">{{
              item.text
            }}</label>
          </li>
        }
      </ul>
      <p>
        <button type="button" class="press main" [disabled]="ticked().size === 0 || saving()" (click)="save()">
          Save as a new version
        </button>
      </p>
      @if (trouble() !== '') {
        <p class="caution" role="alert">{{ trouble() }}</p>
      }
    }
  `,
  styles: `
    ul {
      display: grid;
      gap: 4px;
      margin: 8px 0 14px;
    }
    label {
      display: flex;
      align-items: center;
      min-height: 48px;
      font-size: 18px;
    }
  `,
})
export class WriteBackList {
  private readonly soups = inject(Soups);
  readonly view = input.required<BatchView>();
  readonly nameOf = input.required<NameOf>();
  readonly soupId = input.required<string>();
  readonly cookedAtMs = input.required<number>();
  protected readonly saving = signal(false);
  protected readonly saved = signal<number | undefined>(undefined);
  protected readonly trouble = signal('');
  /** What is offered, as one text: what is ticked stays while that is the same. */
  private readonly offered = computed(() =>
    this.view()
      .writeBack.map(({ key }) => key)
      .join(),
  );
  /** What is ticked; nothing is taken over unasked. */
  protected readonly ticked = linkedSignal({ source: this.offered, computation: (): ReadonlySet<string> => new Set<string>() });
  protected readonly items = computed(() => this.view().writeBack.map((item) => ({ key: item.key, text: this.words(item) })));

  private words(item: WriteBack): string {
    const { soup, kit } = this.view();
    const nameOf = this.nameOf();
    const kg = (value: number): string => mass(value, kit.units);
    const step = (id: string): string => {
      const found = walk(soup.root).find((one) => one.step.id === id)?.step;
      return found === undefined ? id : stepName(found, nameOf);
    };
    switch (item.what) {
      case 'amount':
        return `${nameOf(item.line)}: ${kg(item.is)} instead of ${kg(item.was)}`;
      case 'poured':
        return `${nameOf(item.line)}: ${kg(item.is)} by weight, instead of to cover (${kg(item.was)})`;
      case 'swapped':
        return `${nameOf(item.line)} in its line for good`;
      case 'brought':
        return `${nameOf(item.line)}: ${kg(item.kg)}, new`;
      case 'left out':
        return `without ${nameOf(item.line)}`;
      case 'right body':
        return `this body is right: ${bodyWord(item.is)}, ${item.is.toFixed(0)} mPa·s in the bowl`;
      case 'skipped':
        return `without the step ${step(item.stepId)}`;
      case 'minutes':
        return `${step(item.stepId)}: ${showMinutes(item.is)} instead of ${showMinutes(item.was)}`;
      case 'salt':
        return `salt ${item.is.toFixed(2)} % instead of ${item.was.toFixed(2)} %`;
      case 'cream':
        return `cream ${item.is.toFixed(1)} % instead of ${item.was.toFixed(1)} %`;
      case 'body':
        return `body ${item.is.toFixed(0)} mPa·s instead of ${item.was.toFixed(0)}`;
    }
  }

  protected tick(key: string, on: boolean): void {
    const next = new Set(this.ticked());
    if (on) next.add(key);
    else next.delete(key);
    this.ticked.set(next);
  }

  /** Takes what is ticked over into the newest version, which may be younger than the one that was cooked. */
  protected async save(): Promise<void> {
    this.saving.set(true);
    const newest = await this.soups.one(this.soupId());
    if (!newest.ok) {
      this.trouble.set(newest.refusal.sentence);
      this.saving.set(false);
      return;
    }
    const chosen = this.view().writeBack.filter(({ key }) => this.ticked().has(key));
    const note = `as cooked on ${day(this.cookedAtMs())}`;
    const answer = await this.soups.save(takenOver(newest.value.soup, chosen), newest.value.version, note);
    this.saving.set(false);
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
    if (answer.ok) this.saved.set(answer.value.version);
  }
}
