import { Injectable } from '@angular/core';
import { ask, type Answer } from './api';

/** A photo is made no bigger than this, px on its longer side: enough to show a junior, little to send from a kitchen. */
const LONGEST_PX = 1280;
const QUALITY = 0.82;

/** Where the picture of an id is fetched from. */
export function photoUrl(id: string): string {
  return `/api/photos/${id}`;
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

/** The cook's own pictures of steps. */
@Injectable({ providedIn: 'root' })
export class Photos {
  /** Makes a picture small and keeps it at the server. @returns its id, or why it was not taken. */
  async keep(file: File): Promise<Answer<{ id: string }>> {
    const blob = await smaller(file);
    if (blob === undefined) {
      const sentence = `${file.name} can’t be opened as a picture. Nothing was changed; choose a JPEG, PNG or WebP.`;
      return { ok: false, reachable: true, refusal: { code: 'NO_PHOTO', sentence } };
    }
    return ask(() => fetch('/api/photos', { method: 'POST', body: blob, headers: { 'content-type': blob.type } }));
  }
}
