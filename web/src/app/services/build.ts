import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { Live } from './live';

const MAIN = /main-[A-Z0-9]{8}\.js/;

/** Which build this page is of: the name of its first script, which has the hash of all that it loads; undefined while developing. */
export function ownBuild(page: Document): string | undefined {
  for (const script of page.querySelectorAll<HTMLScriptElement>('script[src]')) {
    const found = MAIN.exec(script.src)?.[0];
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Whether the server hands out another build than this page is of, and the way to it. */
@Injectable({ providedIn: 'root' })
export class Build {
  private readonly updates = inject(SwUpdate, { optional: true });
  private readonly own = ownBuild(document);
  private readonly offered = toSignal(inject(Live).build$);
  private readonly putOff = signal<string | undefined>(undefined);

  readonly isOld = computed(() => {
    const offered = this.offered();
    return this.own !== undefined && offered !== undefined && offered !== this.own && offered !== this.putOff();
  });

  later(): void {
    this.putOff.set(this.offered());
  }

  async reload(): Promise<void> {
    // The service worker goes on handing out the old build until it has fetched the new one.
    if (this.updates?.isEnabled === true) {
      try {
        await this.updates.checkForUpdate();
        await this.updates.activateUpdate();
      } catch {
        // Without it the page is fetched from the server.
      }
    }
    location.reload();
  }
}
