import { ChangeDetectionStrategy, Component, inject, input, output, type OnDestroy, type OnInit } from '@angular/core';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NamedDialog } from '../../parts/named-dialog';
import { Keys } from '../../shell/keys';

/** A sheet over the stove with something to choose; keys go to it while it stands. */
@Component({
  selector: 'tt-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedDialog, NzModalModule],
  template: `<nz-modal
    [nzVisible]="true"
    [nzTitle]="title()"
    [ttNamed]="title()"
    [nzFooter]="null"
    [nzWidth]="width()"
    [nzAutofocus]="null"
    (nzOnCancel)="closed.emit()"
  >
    <div *nzModalContent><ng-content /></div>
  </nz-modal>`,
})
export class Sheet implements OnInit, OnDestroy {
  private readonly keys = inject(Keys);
  readonly title = input.required<string>();
  readonly width = input(620);
  readonly closed = output();
  private release: (() => void) | undefined;

  ngOnInit(): void {
    this.release = this.keys.hold();
  }

  ngOnDestroy(): void {
    this.release?.();
  }
}
