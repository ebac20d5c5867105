import { Directive, effect, inject, input } from '@angular/core';
import { NzModalComponent } from 'ng-zorro-antd/modal';

/** Names a dialog to those who hear it, and says that nothing behind it can be reached; the library leaves both out. */
@Directive({
  selector: 'nz-modal[ttNamed]',
  host: { '(nzAfterOpen)': 'tell()' },
})
export class NamedDialog {
  private readonly modal = inject(NzModalComponent);
  readonly name = input.required<string>({ alias: 'ttNamed' });

  constructor() {
    effect(() => {
      this.name();
      this.tell();
    });
  }

  protected tell(): void {
    const element = this.modal.getElement() as HTMLElement | undefined;
    element?.setAttribute('aria-modal', 'true');
    element?.setAttribute('aria-label', this.name());
  }
}
