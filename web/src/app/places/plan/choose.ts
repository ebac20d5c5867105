import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Soups } from '../../services/soups';

/** Plan without a soup: choose one. */
@Component({
  selector: 'tt-choose-soup',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <h1>Plan which soup?</h1>
    @if (trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    }
    <ul>
      @for (kept of soups(); track kept.soup.id) {
        <li>
          <a class="press" [routerLink]="['/plan', kept.soup.id]"
            ><span class="soup-name">{{ kept.soup.name }}</span>
            <span class="soft">{{ kept.soup.school }} · {{ kept.soup.served }}</span></a
          >
        </li>
      } @empty {
        <li>The shelf is empty. <a class="press main" routerLink="/shelf">Put a soup on it</a></li>
      }
    </ul>
  </main>`,
  styles: `
    ul {
      display: grid;
      gap: 12px;
      max-width: 760px;
    }
    .press {
      width: 100%;
      box-sizing: border-box;
      justify-content: space-between;
    }
    .soup-name {
      font-size: 22px;
      color: var(--cobalt);
    }
    .soft {
      font-weight: 400;
    }
  `,
})
export class ChooseSoup {
  private readonly answer = toSignal(inject(Soups).soups$);
  protected readonly soups = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.soups : [];
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
}
