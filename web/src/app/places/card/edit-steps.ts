import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addStep, moveStation, moveStep, placeOf, removeLine } from '@tureen/core/draft';
import { makeLarder, type IngredientRow } from '@tureen/core/larder';
import type { NameOf } from '@tureen/core/messages';
import { linesOf, walk, type Soup } from '@tureen/core/soup';
import type { UnitSystem } from '@tureen/core/units';
import { reuseUnchanged } from '../reuse-unchanged';
import { stationsOf } from '../stations';
import { EditStep } from './edit-step';
import { arrowOf, Editing } from './editing';
import { fieldsOf, type StepField } from './step-fields';

interface StationFields {
  readonly n: number;
  readonly name: string;
  readonly ids: readonly string[];
  readonly steps: readonly StepField[];
}

/** The stations of a soup as they are being changed: steps and lines that are typed, set, dragged or moved by key. */
@Component({
  selector: 'tt-edit-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, EditStep],
  templateUrl: './edit-steps.html',
  styleUrl: './edit-steps.less',
})
export class EditSteps {
  protected readonly editing = inject(Editing);
  readonly soup = input.required<Soup>();
  readonly rows = input.required<readonly IngredientRow[]>();
  readonly units = input.required<UnitSystem>();
  readonly nameOf = input.required<NameOf>();

  protected readonly larder = computed(() => makeLarder(this.rows()));

  private drawn: readonly StationFields[] = [];
  /** Stations with their fields. What a change left alone is the same object as before, and so is not drawn anew. */
  protected readonly stations = computed((): readonly StationFields[] => {
    const soup = this.soup();
    const nameOf = this.nameOf();
    const fields = new Map(
      fieldsOf({
        soup,
        nameOf,
        edit: this.editing.edit(),
        unread: this.editing.unread(),
        assumed: this.editing.assumed(),
        rows: this.rows(),
        units: this.units(),
      }).map((field) => [field.id, field]),
    );
    const stations = stationsOf(soup, undefined, nameOf, this.units()).map(({ name, steps }, n) => ({
      n,
      name,
      ids: steps.map(({ id }) => id),
      steps: steps.flatMap(({ id }) => fields.get(id) ?? []),
    }));
    this.drawn = reuseUnchanged(this.drawn, stations);
    return this.drawn;
  });
  protected readonly lists = computed(
    () => this.stations().flatMap(({ steps }) => steps.flatMap(({ id, takesLines }) => (takesLines ? [`lines-${id}`] : []))),
    { equal: (a, b) => a.join() === b.join() },
  );
  /** Lines that no step takes: they wait here to be put somewhere or removed. */
  protected readonly stray = computed(() => {
    const soup = this.soup();
    const used = new Set(walk(soup.root).flatMap(({ step }) => linesOf(step).map(({ line }) => line)));
    const lost = soup.lines.filter(({ id }) => !used.has(id));
    if (lost.length === 0) return [];
    const words = new Map(this.editing.edit()?.words ?? []);
    return lost.map(({ id }) => ({ id, text: words.get(id) ?? id }));
  });

  protected removeLine(lineId: string): void {
    this.editing.changed((soup) => removeLine(soup, lineId));
  }

  protected putBack(lineId: string): void {
    this.editing.changed((soup) => {
      const line = soup.lines.find(({ id }) => id === lineId);
      const heat = walk(soup.root).find(
        ({ step }) => step.op === 'cover' || step.op === 'simmer' || step.op === 'blend' || step.op === 'dish',
      )?.step;
      const to = heat === undefined ? undefined : placeOf(soup, heat.id);
      if (line === undefined || to === undefined) return soup;
      const op = line.way !== undefined || line.cut !== undefined ? 'trim' : 'add';
      return addStep(soup, { id: `${op}-${lineId}`.slice(0, 55), op, uses: [{ line: lineId }] }, to).soup;
    });
  }

  protected dropStep({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    if (previousIndex === currentIndex) return;
    this.editing.changed((soup) => {
      const order = walk(soup.root).map(({ step }) => step.id);
      const moving = order[previousIndex];
      const target = order[currentIndex];
      const to = target === undefined ? undefined : placeOf(soup, target);
      if (moving === undefined || to === undefined) return soup;
      return moveStep(soup, moving, currentIndex > previousIndex ? { ...to, index: to.index + 1 } : to);
    });
  }

  protected dropStation({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.moveStationTo(previousIndex, currentIndex);
  }

  protected stationKey(event: KeyboardEvent, at: number): void {
    const by = arrowOf(event);
    if (by === 0) return;
    this.moveStationTo(at, at + by);
  }

  /** A station that stands in a branch of its own goes with its branch. */
  private moveStationTo(from: number, to: number): void {
    const stations = this.stations();
    const station = stations[from];
    if (station === undefined || to < 0 || to >= stations.length || from === to) return;
    const soup = this.soup();
    const before = to > from ? stations[to + 1]?.ids[0] : stations[to]?.ids[0];
    const roots = new Set(soup.root.steps.map(({ id }) => id));
    const lead = (id: string): string => {
      if (roots.has(id)) return id;
      const join = soup.root.steps.find((step) => step.op === 'join' && walk(step.branch).some((one) => one.step.id === id));
      return join?.id ?? id;
    };
    const moving = [...new Set(station.ids.filter((id) => id !== 'dish').map(lead))];
    this.editing.change(moveStation(soup, moving, before === undefined ? undefined : lead(before)));
  }
}
