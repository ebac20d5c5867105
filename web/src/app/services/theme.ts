import { Injectable, signal } from '@angular/core';
import { recall, remember } from './remembered';

export type Theme = 'light' | 'dark';
const KEY = 'tureen-theme';

/** Light or dark: the device's own wish until somebody chooses on it. */
@Injectable({ providedIn: 'root' })
export class ThemeChoice {
  readonly theme = signal<Theme>(this.first());

  constructor() {
    this.show(this.theme());
  }

  private first(): Theme {
    const chosen = recall(KEY);
    if (chosen === 'light' || chosen === 'dark') return chosen;
    return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
  }

  private show(theme: Theme): void {
    document.documentElement.dataset.theme = theme;
  }

  choose(theme: Theme): void {
    remember(KEY, theme);
    this.theme.set(theme);
    this.show(theme);
  }
}
