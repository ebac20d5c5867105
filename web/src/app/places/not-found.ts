import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'tt-not-found',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <h1>There is nothing at this address</h1>
    <p>The soups are on the shelf.</p>
    <a class="press main" routerLink="/shelf">To the Shelf</a>
  </main>`,
})
export class NotFound {}
