import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** The Ledger's own places: its batches, what they came to over time, what the kitchen has learnt from them. */
@Component({
  selector: 'tt-ledger-tabs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive],
  template: `<nav aria-label="Ledger">
    @for (tab of tabs; track tab.path) {
      <a [routerLink]="tab.path" routerLinkActive="here" [routerLinkActiveOptions]="{ exact: true }" ariaCurrentWhenActive="page">{{
        tab.name
      }}</a>
    }
  </nav>`,
  styles: `
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 26px;
    }
    a {
      display: inline-flex;
      align-items: center;
      min-height: 48px;
      border-bottom: 3px solid transparent;
      color: var(--cobalt);
      font-weight: 650;
      text-decoration: none;
    }
    .here {
      border-color: var(--ink);
      color: var(--ink);
    }
  `,
})
export class LedgerTabs {
  protected readonly tabs = [
    { path: '/ledger', name: 'Batches' },
    { path: '/ledger/over-time', name: 'Over time' },
    { path: '/ledger/month', name: 'Month' },
    { path: '/ledger/learnt', name: 'Learnt here' },
  ];
}
