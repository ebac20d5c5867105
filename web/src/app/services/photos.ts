import { inject, Injectable } from '@angular/core';
import { SERVER_PATH } from './practice-mode';
import { concatMap, filter } from 'rxjs';
import { request, isForGood, type Reply } from './api';
import { BrowserStore } from './browser-store';
import { Live } from './live';

/** A photo is made no bigger than this, px on its longer side: enough to show a junior, little to send from a kitchen. */
const LONGEST_PX = 1280;
const QUALITY = 0.82;

/** Where the picture of an id is fetched from. */
export function photoUrl(id: string): string {
  return `${SERVER_PATH}/api/photos/${id}`;
}

/** Draws a picture smaller, upright, as JPEG. */
async function smaller(file: Blob): Promise<Blob | undefined> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return undefined;
  }
  const factor = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * factor));
  canvas.height = Math.max(1, Math.round(picture.height * factor));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((resolve) => {
    canvas.toBlob(
      (blob) => {
        resolve(blob ?? undefined);
      },
      'image/jpeg',
      QUALITY,
    );
  });
}

/** What a picture is known by everywhere: SHA-256 of its bytes, in hexadecimal. */
async function idOf(blob: Blob): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', await blob.arrayBuffer());
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

interface Unsent {
  readonly id: string;
  readonly blob: Blob;
}

/** The cook's own pictures of steps and batches. One that can't be sent yet is kept in the browser until it can. */
@Injectable({ providedIn: 'root' })
export class Photos {
  private readonly store = new BrowserStore<{ unsent: Unsent }>('tidy-tureen-photos', ['unsent']);

  constructor() {
    inject(Live)
      .open$.pipe(
        filter((open) => open),
        concatMap(() => this.sendAll()),
      )
      .subscribe();
  }

  /** Makes a picture small and keeps it, here until the server has it. @returns its id, or why it was not taken. */
  async keep(file: File): Promise<Reply<{ id: string }>> {
    const blob = await smaller(file);
    if (blob === undefined) {
      const sentence = `${file.name} can’t be opened as a picture. Nothing was changed; choose a JPEG, PNG or WebP.`;
      return { ok: false, reachable: true, refusal: { code: 'NO_PHOTO', sentence } };
    }
    const photo = { id: await idOf(blob), blob };
    const kept = await this.store.put('unsent', photo);
    const answer = await this.send(photo);
    // What neither the server nor the browser has is lost with the page: that is told.
    if (!answer.ok && !kept && !isForGood(answer)) {
      const sentence = 'The server does not answer and this browser keeps nothing, so the photo was not taken. Try again later.';
      return { ok: false, reachable: false, refusal: { code: 'UNREACHABLE', sentence } };
    }
    return isForGood(answer) ? answer : { ok: true, value: { id: photo.id } };
  }

  /** A picture that waits here to be sent; undefined when there is none of that id. */
  async unsent(id: string): Promise<Blob | undefined> {
    return (await this.store.get('unsent', id))?.blob;
  }

  private async send({ id, blob }: Unsent): Promise<Reply<{ id: string }>> {
    const answer = await request<{ id: string }>(() =>
      fetch(`${SERVER_PATH}/api/photos`, { method: 'POST', body: blob, headers: { 'content-type': blob.type } }),
    );
    if (answer.ok || isForGood(answer)) await this.store.delete('unsent', [id]);
    return answer;
  }

  private async sendAll(): Promise<void> {
    for (const photo of (await this.store.all('unsent')) ?? []) await this.send(photo);
  }
}
