import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  addStep,
  moveStation,
  moveStep,
  moveUse,
  placeOf,
  removeLine,
  removeStep,
  replaceStep,
  type Answer,
  type Place,
} from '@tureen/core/draft';
import type { LineReading } from '@tureen/core/amounts';
import { assumedWords, problemSentence, readingSentence, stepName } from '@tureen/core/messages';
import { linesOf, walk, type Soup, type SoupStep } from '@tureen/core/soup';
import type { IngredientRow } from '@tureen/core/larder';
import type { UnitSystem } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { mass } from '../figures';
import { stationsOf } from '../stations';
import { Editing, NEW_LINE } from './editing';
import { NEW_STEPS, settingsOf, type ChoiceSetting, type NumberSetting } from './settings';

interface LineField {
  readonly id: string;
  readonly stepId: string;
  readonly text: string;
  readonly kg: string;
  readonly share: number;
  readonly movable: boolean;
  readonly optional: boolean;
  readonly assumed: string;
  readonly asks: string | undefined;
  readonly reading: LineReading | undefined;
  readonly problems: readonly string[];
}

/** The stations of a soup as they are being changed: steps and lines that are typed, set, dragged or moved by key. */
@Component({
  selector: 'tt-edit-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, FormsModule, NzInputModule, NzSelectModule],
  templateUrl: './edit-steps.html',
  styleUrl: './edit-steps.less',
})
export class EditSteps {
  protected readonly editing = inject(Editing);
  readonly soup = input.required<Soup>();
  readonly rows = input.required<readonly IngredientRow[]>();
  readonly units = input.required<UnitSystem>();
  readonly nameOf = input.required<(lineId: string) => string>();

  protected readonly newSteps = NEW_STEPS;
  /** The line whose actions are shown: the one that was touched last. */
  protected readonly active = signal('');
  /** The step that is being worked on: the others keep their fields for new lines and notes to themselves. */
  protected readonly activeStep = signal('');
  protected readonly adding = signal('');

  private readonly words = computed(() => new Map(this.editing.edit()?.words ?? []));
  private readonly kilos = computed(() => {
    const kg = new Map<string, number>();
    for (const { stepId, lines } of this.editing.edit()?.view?.takes ?? []) {
      for (const line of lines) kg.set(`${stepId} ${line.lineId}`, line.kg);
    }
    return kg;
  });
  private readonly problems = computed(() => this.editing.edit()?.problems ?? []);

  protected readonly stations = computed(() => {
    const soup = this.soup();
    const branchOf = new Map(walk(soup.root).map(({ step, branch }) => [step.id, branch]));
    return stationsOf(soup, this.editing.edit()?.view, this.nameOf()).map((station, n) => ({
      n,
      name: station.name,
      ids: station.steps.map(({ id }) => id),
      steps: station.steps.map((step) => ({
        step,
        name: stepName(step, this.nameOf()),
        onTray: branchOf.get(step.id)?.vessel === 'tray',
        isDish: step.op === 'dish',
        settings: [...settingsOf(step, this.units()), ...this.garnishSettings(step)],
        lines: this.linesOf(step),
        unread: this.newLineOf(step.id),
        takesLines: step.op === 'trim' || step.op === 'add',
        say: step.say ?? '',
        problems: this.stepProblems(step.id),
      })),
    }));
  });
  protected readonly lineLists = computed(() =>
    this.stations().flatMap(({ steps }) => steps.flatMap(({ step, takesLines }) => (takesLines ? [`lines-${step.id}`] : []))),
  );
  /** Lines that no step takes: they wait here to be put somewhere or removed. */
  protected readonly stray = computed(() => {
    const soup = this.soup();
    const used = new Set(walk(soup.root).flatMap(({ step }) => linesOf(step).map(({ line }) => line)));
    return soup.lines.filter(({ id }) => !used.has(id)).map(({ id }) => ({ id, text: this.words().get(id) ?? id }));
  });

  private garnishSettings(step: SoupStep): NumberSetting[] {
    if (step.op !== 'dish') return [];
    return (step.shares ?? []).flatMap((share, at) =>
      (['finish', 'garnish'] as const).flatMap((kind) =>
        (share[kind] ?? []).map(({ line, gPerBowl }): NumberSetting => ({
          kind: 'number',
          key: `${share.id} ${kind} ${line}`,
          label: `${this.nameOf()(line)} ${kind === 'garnish' ? 'on top' : 'stirred in'}, ${share.name.toLowerCase()}`,
          unit: 'g a bowl',
          least: 0.1,
          most: 500,
          by: 1,
          value: gPerBowl,
          set: (value) => ({
            ...step,
            shares: (step.shares ?? []).map((own, n) =>
              n === at
                ? { ...own, [kind]: (own[kind] ?? []).map((one) => (one.line === line ? { ...one, gPerBowl: value } : one)) }
                : own,
            ),
          }),
        })),
      ),
    );
  }

  private stepProblems(stepId: string): readonly string[] {
    const soup = this.soup();
    const at = walk(soup.root).find(({ step }) => step.id === stepId)?.path;
    return this.problems()
      .filter(({ path }) => at !== undefined && (path === at || path.startsWith(`${at}.`)) && !path.startsWith(`${at}.branch`))
      .map(problemSentence);
  }

  private linesOf(step: SoupStep): LineField[] {
    const soup = this.soup();
    return linesOf(step).map(({ line: id, share }) => {
      const at = soup.lines.findIndex((line) => line.id === id);
      const line = soup.lines[at];
      const unread = this.editing.unread().get(id);
      const kg = this.kilos().get(`${step.id} ${id}`);
      return {
        id,
        stepId: step.id,
        text: unread?.text ?? this.words().get(id) ?? '',
        kg: kg === undefined ? '' : mass(kg, this.units()),
        share,
        movable: step.op === 'trim' || step.op === 'add',
        optional: line?.optional === true,
        assumed: assumedWords((this.editing.assumed().get(id) ?? []) as Parameters<typeof assumedWords>[0]),
        asks: unread === undefined ? undefined : readingSentence(unread.reading),
        reading: unread?.reading,
        problems: this.problems()
          .filter(({ path }) => path === `lines.${String(at)}` || path.startsWith(`lines.${String(at)}.`))
          .map(problemSentence),
      };
    });
  }

  private newLineOf(stepId: string): { text: string; asks: string | undefined; reading: LineReading } | undefined {
    const unread = this.editing.unread().get(NEW_LINE + stepId);
    return unread === undefined ? undefined : { text: unread.text, asks: readingSentence(unread.reading), reading: unread.reading };
  }

  protected choices(reading: LineReading | undefined): readonly { readonly label: string; readonly answer: Answer }[] {
    if (reading?.code !== 'ASK') return [];
    return reading.options.map(({ label, ingredient, amount, kg }) => ({
      label: `${label}, ${mass(kg, this.units())}`,
      answer: { ingredient, amount, kg },
    }));
  }

  protected nearest(reading: LineReading | undefined): readonly { readonly id: string; readonly name: string }[] {
    if (reading?.code !== 'UNKNOWN_FOOD') return [];
    return reading.nearest.map((id) => ({ id, name: this.rows().find((row) => row.id === id)?.name ?? id }));
  }

  protected type(lineId: string, event: Event): void {
    void this.editing.type(lineId, (event.target as HTMLInputElement).value);
  }

  protected answer(lineId: string, text: string, answer: Answer): void {
    void this.editing.type(lineId, text, answer);
  }

  protected async meant(lineId: string, reading: LineReading | undefined, ingredient: string): Promise<void> {
    if (reading?.code !== 'UNKNOWN_FOOD') return;
    const answer = await this.editing.meant(reading, ingredient);
    if (answer !== undefined) await this.editing.type(lineId, reading.text, answer);
  }

  private after(stepId: string): Place | undefined {
    const place = placeOf(this.soup(), stepId);
    return place === undefined ? undefined : { ...place, index: place.index + 1 };
  }

  /** Puts in what stands in the field of a step, and empties the field where it was understood. */
  protected async add(stepId: string, answer?: Answer): Promise<void> {
    const field = document.getElementById(`fresh-${stepId}`);
    if (!(field instanceof HTMLInputElement)) return;
    if (await this.editing.add(stepId, field.value, this.after(stepId), answer)) field.value = '';
  }

  protected async addMeant(stepId: string, reading: LineReading, ingredient: string): Promise<void> {
    if (reading.code !== 'UNKNOWN_FOOD') return;
    const answer = await this.editing.meant(reading, ingredient);
    if (answer !== undefined) await this.add(stepId, answer);
  }

  protected setNumber(setting: NumberSetting, event: Event): void {
    const value = Number((event.target as HTMLInputElement).value);
    // NaN fails both comparisons, so it is left as it was.
    if (value >= setting.least && value <= setting.most) this.editing.change(replaceStep(this.soup(), setting.set(value)));
    else (event.target as HTMLInputElement).value = String(setting.value);
  }

  protected setChoice(setting: ChoiceSetting, value: string): void {
    this.editing.change(replaceStep(this.soup(), setting.set(value)));
  }

  protected say(step: SoupStep, event: Event): void {
    const words = (event.target as HTMLInputElement).value.trim().slice(0, 500);
    this.editing.change(replaceStep(this.soup(), { ...step, say: words === '' ? undefined : words }));
  }

  protected removeLine(lineId: string): void {
    this.editing.change(removeLine(this.soup(), lineId));
  }

  protected removeStep(stepId: string): void {
    this.editing.change(removeStep(this.soup(), stepId));
  }

  protected optional(lineId: string): void {
    const soup = this.soup();
    this.editing.change({
      ...soup,
      lines: soup.lines.map((line) =>
        line.id === lineId ? { ...line, optional: line.optional === true ? undefined : true } : line,
      ),
    });
  }

  /** Half of a line goes into the step after the next heat, to be moved from there. */
  protected split(stepId: string, lineId: string): void {
    const soup = this.soup();
    const order = walk(soup.root).map(({ step }) => step.id);
    const next = order[order.indexOf(stepId) + 1];
    const to = next === undefined ? undefined : placeOf(soup, next);
    if (to !== undefined) this.editing.change(moveUse(soup, stepId, lineId, { ...to, index: to.index + 1 }, 0.5));
  }

  protected putBack(lineId: string): void {
    const soup = this.soup();
    const line = soup.lines.find(({ id }) => id === lineId);
    const heat = walk(soup.root).find(
      ({ step }) => step.op === 'cover' || step.op === 'simmer' || step.op === 'blend' || step.op === 'dish',
    )?.step;
    const to = heat === undefined ? undefined : placeOf(soup, heat.id);
    if (line === undefined || to === undefined) return;
    const op = line.way !== undefined || line.cut !== undefined ? 'trim' : 'add';
    this.editing.change(addStep(soup, { id: `${op}-${lineId}`.slice(0, 55), op, uses: [{ line: lineId }] }, to).soup);
  }

  protected insertStep(afterId: string, at: number): void {
    const chosen = NEW_STEPS[at];
    const to = this.after(afterId);
    this.adding.set('');
    if (chosen !== undefined && to !== undefined) this.editing.change(addStep(this.soup(), chosen.step, to).soup);
  }

  protected dropStep({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const order = this.stations().flatMap(({ steps }) => steps.map(({ step }) => step.id));
    const moving = order[previousIndex];
    if (moving === undefined || previousIndex === currentIndex) return;
    const target = order[currentIndex];
    const to = target === undefined ? undefined : placeOf(this.soup(), target);
    if (to === undefined) return;
    this.editing.change(moveStep(this.soup(), moving, currentIndex > previousIndex ? { ...to, index: to.index + 1 } : to));
  }

  protected stepKey(event: KeyboardEvent, stepId: string): void {
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const order = this.stations().flatMap(({ steps }) => steps.map(({ step }) => step.id));
    const at = order.indexOf(stepId);
    const target = order[at + by];
    const to = target === undefined ? undefined : placeOf(this.soup(), target);
    if (to === undefined) return;
    this.editing.change(moveStep(this.soup(), stepId, by > 0 ? { ...to, index: to.index + 1 } : to));
    this.refocus(`[data-handle="${stepId}"]`);
  }

  protected dropLine(event: CdkDragDrop<string>, lineOf: LineField): void {
    const target = event.container.data;
    const to = placeOf(this.soup(), target);
    if (to === undefined || target === lineOf.stepId) return;
    this.editing.change(moveUse(this.soup(), lineOf.stepId, lineOf.id, { ...to, index: to.index + 1 }));
  }

  protected lineKey(event: KeyboardEvent, line: LineField): void {
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const order = this.stations().flatMap(({ steps }) => steps.map(({ step }) => step.id));
    const target = order[order.indexOf(line.stepId) + by];
    const to = target === undefined ? undefined : placeOf(this.soup(), target);
    if (to === undefined) return;
    this.editing.change(moveUse(this.soup(), line.stepId, line.id, by > 0 ? { ...to, index: to.index + 1 } : to));
    this.refocus(`[data-line-handle="${line.id}"]`);
  }

  protected dropStation({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.moveStationTo(previousIndex, currentIndex);
  }

  protected stationKey(event: KeyboardEvent, at: number): void {
    const by =
      event.key === 'ArrowLeft' || event.key === 'ArrowUp' ? -1 : event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : 0;
    if (by === 0) return;
    event.preventDefault();
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

  private refocus(selector: string): void {
    setTimeout(() => document.querySelector<HTMLElement>(selector)?.focus(), 60);
  }
}
