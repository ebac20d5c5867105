import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  InjectionToken,
  afterNextRender,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';

/** Pictures that are looked at in a second: a label is held still longer than that. */
const LOOKS_A_SECOND = 6;
/** Wider pictures are made smaller first: the code of a label fills a good part of it. */
const MOST_PX = 640;

/** Opens the camera that looks away from the screen, where there is one. Rejects where there is none or it is not allowed. */
export const CAMERA = new InjectionToken<() => Promise<MediaStream>>('CAMERA', {
  providedIn: 'root',
  factory: () => () =>
    // Only there in a secure context.
    (navigator as { readonly mediaDevices?: MediaDevices }).mediaDevices === undefined
      ? Promise.reject(new Error('insecure'))
      : navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' }, audio: false }),
});

function whyNot(error: unknown): string {
  const { name, message } = error instanceof Error ? error : { name: '', message: '' };
  if (message === 'insecure')
    return 'A browser gives its camera only to pages by HTTPS. Open this page by its https address, or type.';
  if (name === 'NotAllowedError') return 'The camera was not allowed. Allow it in the browser for this page, or type.';
  if (name === 'NotFoundError') return 'This device has no camera. Type, or hold a scanner to the label.';
  return 'The camera could not be opened: does something else use it? Close that and try again, or type.';
}

/** The camera, looked through until it sees a code; what it says is told, and whoever asked decides what it is. */
@Component({
  selector: 'tt-scan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (trouble(); as text) {
      <p class="caution" role="alert">
        <span>{{ text }}</span>
      </p>
    } @else {
      <video #seen muted playsinline aria-label="What the camera sees"></video>
      <p class="soft" role="status">Hold the code of a label in the middle.</p>
    }`,
  styles: `
    video {
      width: min(100%, 420px);
      border-radius: var(--round);
      background: var(--ink);
    }
    p {
      margin: 6px 0 0;
    }
  `,
})
export class Scan {
  private readonly camera = inject(CAMERA);
  private readonly video = viewChild<ElementRef<HTMLVideoElement>>('seen');
  /** What a code says, each time another one is seen. */
  readonly found = output<string>();
  protected readonly trouble = signal('');
  private isOver = false;
  private stream: MediaStream | undefined;
  private last = '';

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.isOver = true;
      this.close();
    });
    afterNextRender(() => void this.look());
  }

  private close(): void {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.stream = undefined;
  }

  private async look(): Promise<void> {
    try {
      const [stream, { default: read }] = await Promise.all([this.camera(), import('jsqr')]);
      this.stream = stream;
      const video = this.video()?.nativeElement;
      if (this.isOver || video === undefined) {
        this.close();
        return;
      }
      // A muted picture may play unasked; the attribute alone does not mute one that is made by a script.
      video.muted = true;
      video.srcObject = stream;
      await video.play();
      const canvas = document.createElement('canvas');
      const pen = canvas.getContext('2d', { willReadFrequently: true });
      if (pen === null) return;
      const next = (): void => {
        if (this.isOver) return;
        const share = Math.min(1, MOST_PX / Math.max(1, video.videoWidth));
        canvas.width = Math.round(video.videoWidth * share);
        canvas.height = Math.round(video.videoHeight * share);
        if (canvas.width > 0 && canvas.height > 0) {
          pen.drawImage(video, 0, 0, canvas.width, canvas.height);
          const { data, width, height } = pen.getImageData(0, 0, canvas.width, canvas.height);
          const text = read(data, width, height)?.data ?? '';
          if (text !== '' && text !== this.last) this.found.emit(text);
          if (text !== '') this.last = text;
        }
        setTimeout(next, 1000 / LOOKS_A_SECOND);
      };
      next();
    } catch (error) {
      this.close();
      if (!this.isOver) this.trouble.set(whyNot(error));
    }
  }
}
