import { ChangeDetectionStrategy, Component } from '@angular/core';

@Component({
  selector: 'tt-cold',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<main class="place">
    <h1>Cold</h1>
    <section class="sheet">
      <p>
        Not built yet. This place will hold what is cooling and how fast, labels with use-by days, and what stands in fridge and
        freezer.
      </p>
      <p class="caution">
        Until then keep to the rule: 57 to 21 °C within 2 h, to 5 °C within 6 h in all (FDA Food Code 2022, 3-501.14). Local food
        law comes first.
      </p>
    </section>
  </main>`,
  styles: `
    .sheet {
      display: grid;
      gap: 14px;
      max-width: 760px;
      font-size: 19px;
    }
  `,
})
export class Cold {}
