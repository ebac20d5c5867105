import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  NEW_STEPS,
  addNewStep,
  branchOff,
  moveStep,
  moveUse,
  placeOf,
  removeStep,
  replaceStep,
  type Answer,
  type Place,
} from '@tureen/core/draft';
import type { LineReading } from '@tureen/core/amounts';
import type { Larder } from '@tureen/core/larder';
import { newStepName } from '@tureen/core/messages';
import { walk, type Soup } from '@tureen/core/soup';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NumberField } from '../../parts/number-field';
import { Photo } from '../../parts/photo';
import { Photos } from '../../services/photos';
import { EditLine } from './edit-line';
import { arrowOf, Editing, refocus } from './editing';
import type { ChoiceSetting, NumberSetting } from './settings';
import type { LineField, StepField } from './step-fields';

function after(soup: Soup, stepId: string): Place | undefined {
  const place = placeOf(soup, stepId);
  return place === undefined ? undefined : { ...place, index: place.index + 1 };
}

/** A step as it is being changed: its settings and lines, a note, and what may come after it. */
@Component({
  selector: 'tt-edit-step',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, EditLine, FormsModule, NumberField, NzInputModule, NzSelectModule, Photo],
  templateUrl: './edit-step.html',
  styleUrl: './edit-step.less',
})
export class EditStep {
  protected readonly editing = inject(Editing);
  readonly own = input.required<StepField>();
  /** Ids of the lists that a line of this step can be dropped into. */
  readonly lists = input.required<string[]>();
  private readonly photos = inject(Photos);
  readonly larder = input.required<Larder>();
  protected readonly newSteps = NEW_STEPS.map(({ key }) => ({ key, name: newStepName(key) }));
  protected readonly trouble = signal('');

  /** Puts in what stands in the field of the step, and empties the field where it was understood. */
  protected async add(answer?: Answer): Promise<void> {
    const { id } = this.own();
    const field = document.getElementById(`fresh-${id}`);
    const soup = this.editing.soup();
    if (!(field instanceof HTMLInputElement) || soup === undefined) return;
    if (await this.editing.add(id, field.value, after(soup, id), answer)) field.value = '';
  }

  protected async addMeant(reading: LineReading, ingredient: string): Promise<void> {
    if (reading.code !== 'UNKNOWN_FOOD') return;
    const answer = await this.editing.meant(reading, ingredient);
    if (answer !== undefined) await this.add(answer);
  }

  protected setNumber(setting: NumberSetting, value: number): void {
    this.editing.changed((soup) => replaceStep(soup, setting.set(value)));
  }

  protected setChoice(setting: ChoiceSetting, value: string): void {
    this.editing.changed((soup) => replaceStep(soup, setting.set(value)));
  }

  protected say(event: Event): void {
    const words = (event.target as HTMLInputElement).value.trim().slice(0, 500);
    this.editing.changed((soup) => replaceStep(soup, { ...this.own().step, say: words === '' ? undefined : words }));
  }

  protected part(vessel: 'tray' | 'pot'): void {
    this.editing.addingAfter.set('');
    this.editing.changed((soup) => branchOff(soup, this.own().id, vessel));
  }

  protected async take(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (file === undefined) return;
    const answer = await this.photos.keep(file);
    input.value = '';
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
    if (answer.ok) this.editing.changed((soup) => replaceStep(soup, { ...this.own().step, photo: answer.value.id }));
  }

  protected untake(): void {
    this.editing.changed((soup) => replaceStep(soup, { ...this.own().step, photo: undefined }));
  }

  protected remove(): void {
    this.editing.changed((soup) => removeStep(soup, this.own().id));
  }

  protected insert(key: string): void {
    this.editing.addingAfter.set('');
    this.editing.changed((soup) => {
      const to = after(soup, this.own().id);
      return to === undefined ? soup : addNewStep(soup, key, to, this.larder()).soup;
    });
  }

  protected key(event: KeyboardEvent): void {
    const by = arrowOf(event);
    const { id } = this.own();
    if (by === 0) return;
    this.editing.changed((soup) => {
      const order = walk(soup.root).map(({ step }) => step.id);
      const target = order[order.indexOf(id) + by];
      const to = target === undefined ? undefined : placeOf(soup, target);
      return to === undefined ? soup : moveStep(soup, id, by > 0 ? { ...to, index: to.index + 1 } : to);
    });
    refocus(`[data-handle="${id}"]`);
  }

  protected dropLine({ container, item }: CdkDragDrop<string>): void {
    const { id, stepId } = item.data as LineField;
    if (container.data === stepId) return;
    this.editing.changed((soup) => {
      const to = after(soup, container.data);
      return to === undefined ? soup : moveUse(soup, stepId, id, to);
    });
  }
}
