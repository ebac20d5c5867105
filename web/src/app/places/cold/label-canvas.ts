import { ChangeDetectionStrategy, Component, effect, ElementRef, input, viewChild } from '@angular/core';
import { MM_A_POINT, layOut, type LabelSize, type LabelText } from '@tureen/core/labels';
import QRCode from 'qrcode';

/** Dots a millimetre: 300 to the inch, as label printers print. */
const DOTS_MM = 300 / 25.4;
const FAMILY = "'Atkinson Hyperlegible Next Variable', sans-serif";
const BOLD = 700;
const PLAIN = 400;

/** Draws a label as a printer would print it, black on white, at 300 dots to the inch. */
export function drawLabel(canvas: HTMLCanvasElement, label: LabelText, size: Pick<LabelSize, 'widthMm' | 'heightMm'>): void {
  const dots = (mm: number): number => mm * DOTS_MM;
  canvas.width = Math.round(dots(size.widthMm));
  canvas.height = Math.round(dots(size.heightMm));
  const on = canvas.getContext('2d');
  if (on === null) return;
  const font = (sizePt: number, isBold: boolean): void => {
    on.font = `${String(isBold ? BOLD : PLAIN)} ${String(dots(sizePt * MM_A_POINT))}px ${FAMILY}`;
  };
  const layout = layOut(label, size, (text, sizePt, isBold) => {
    font(sizePt, isBold);
    return on.measureText(text).width / DOTS_MM;
  });
  on.fillStyle = '#fff';
  on.fillRect(0, 0, canvas.width, canvas.height);
  on.fillStyle = '#000';
  for (const { xMm, baseMm, sizePt, isBold, text } of layout.texts) {
    font(sizePt, isBold);
    on.fillText(text, dots(xMm), dots(baseMm));
  }
  const { modules } = QRCode.create(label.url, { errorCorrectionLevel: 'M' });
  const { xMm, yMm, sizeMm } = layout.code;
  // Whole dots a square: what is smeared over two is read badly.
  const one = Math.max(1, Math.floor(dots(sizeMm) / modules.size));
  const left = Math.round(dots(xMm + sizeMm)) - one * modules.size;
  const top = Math.round(dots(yMm + sizeMm)) - one * modules.size;
  for (let row = 0; row < modules.size; row += 1) {
    for (let column = 0; column < modules.size; column += 1) {
      if (modules.get(row, column) !== 0) on.fillRect(left + column * one, top + row * one, one, one);
    }
  }
}

/** One label as it will be printed. */
@Component({
  selector: 'tt-label-canvas',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas
    #canvas
    role="img"
    [attr.aria-label]="'Label: ' + label().name + ', ' + label().useBy + ', contains ' + (label().allergens.join(', ') || 'none')"
    [style.width.mm]="size().widthMm"
    [style.height.mm]="size().heightMm"
  ></canvas>`,
  styles: `
    :host,
    canvas {
      display: block;
    }
  `,
})
export class LabelCanvas {
  readonly label = input.required<LabelText>();
  readonly size = input.required<LabelSize>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');

  constructor() {
    effect(() => {
      const [label, size, { nativeElement }] = [this.label(), this.size(), this.canvas()];
      drawLabel(nativeElement, label, size);
      // Drawn once more when the letters are here: the first time may have been in others.
      void document.fonts.ready.then(() => {
        drawLabel(nativeElement, label, size);
      });
    });
  }
}
