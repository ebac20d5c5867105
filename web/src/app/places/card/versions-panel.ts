import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { differences } from '@tureen/core/draft';
import { differenceWords } from '@tureen/core/messages';
import type { Soup } from '@tureen/core/soup';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { combineLatest, from, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { Soups } from '../../services/soups';
import { day } from '../figures';

/** Two versions of a soup side by side: what is not the same. */
@Component({
  selector: 'tt-versions-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule],
  template: `
    <p class="pick">
      <label for="was">Version</label>
      <nz-select nzId="was" name="was" [(ngModel)]="was">
        @for (one of versions(); track one.version) {
          <nz-option [nzValue]="one.version" [nzLabel]="one.name" />
        }
      </nz-select>
      <label for="is">beside</label>
      <nz-select nzId="is" name="is" [(ngModel)]="is">
        @for (one of versions(); track one.version) {
          <nz-option [nzValue]="one.version" [nzLabel]="one.name" />
        }
      </nz-select>
      <button type="button" class="press" [disabled]="old() === undefined" (click)="bringBack()">
        Change from version {{ was() }}
      </button>
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">what</th>
          <th scope="col">version {{ was() }}</th>
          <th scope="col">version {{ is() }}</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track $index) {
          <tr>
            <th scope="row">{{ row.what }}</th>
            <td>{{ row.was }}</td>
            <td>{{ row.is }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="3">They are the same.</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    .pick {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px;
    }
    nz-select {
      min-width: 260px;
    }
    table {
      width: 100%;
      margin-top: 12px;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 8px 12px 8px 0;
      border-bottom: 1px solid var(--hairline);
      font-weight: 400;
      text-align: left;
      vertical-align: top;
      overflow-wrap: anywhere;
    }
    thead th {
      color: var(--ink-soft);
      font-size: 15px;
    }
  `,
})
export class VersionsPanel {
  private readonly soups = inject(Soups);
  private readonly stocked = toSignal(inject(Cooking).stocked$);
  readonly soupId = input.required<string>();
  readonly newest = input.required<number>();
  readonly taken = output<Soup>();

  private readonly listed = toSignal(
    combineLatest([toObservable(this.soupId), toObservable(this.newest)]).pipe(switchMap(([id]) => from(this.soups.versions(id)))),
  );
  protected readonly versions = computed(() => {
    const answer = this.listed();
    return answer?.ok === true
      ? answer.value.versions.map(({ version, note, createdAtMs }) => ({
          version,
          name: `${String(version)}, ${day(createdAtMs)}${note === '' ? '' : `: ${note}`}`,
        }))
      : [];
  });
  protected readonly was = linkedSignal(() => Math.max(1, this.newest() - 1));
  protected readonly is = linkedSignal(() => this.newest());
  private readonly pair = toSignal(
    combineLatest([toObservable(this.soupId), toObservable(this.was), toObservable(this.is)]).pipe(
      switchMap(([id, was, is]) => from(Promise.all([this.soups.one(id, was), this.soups.one(id, is)]))),
    ),
  );
  protected readonly old = computed(() => {
    const was = this.pair()?.[0];
    return was?.ok === true ? was.value.soup : undefined;
  });
  protected readonly rows = computed(() => {
    const [was, is] = this.pair() ?? [];
    if (was?.ok !== true || is?.ok !== true) return [];
    const names = new Map(this.stocked()?.rows.map((row) => [row.id, row]));
    return differences(was.value.soup, is.value.soup, (id) => names.get(id)).map(differenceWords);
  });

  protected bringBack(): void {
    const soup = this.old();
    if (soup !== undefined) this.taken.emit(soup);
  }
}
