import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';

export interface Certificate {
  readonly cert: string;
  readonly key: string;
  readonly made: boolean;
}

const DAYS = 825;

/** Names and addresses under which other tablets may reach this machine. */
export function ownNames(): { readonly names: readonly string[]; readonly addresses: readonly string[] } {
  const addresses = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ family }) => family === 'IPv4')
    .map(({ address }) => address);
  return { names: ['localhost', hostname(), `${hostname()}.local`], addresses };
}

/** The kitchen's own certificate from a folder, made there the first time. Its key is readable by its owner only. */
export async function certificateIn(folder: string, nowMs: number): Promise<Certificate> {
  const certFile = join(folder, 'cert.pem');
  const keyFile = join(folder, 'key.pem');
  if (existsSync(certFile) && existsSync(keyFile)) {
    return { cert: readFileSync(certFile, 'utf8'), key: readFileSync(keyFile, 'utf8'), made: false };
  }
  const { names, addresses } = ownNames();
  // Loaded only here: most kitchens never ask for one.
  const { generate } = await import('selfsigned');
  const made = await generate([{ name: 'commonName', value: 'Tidy Tureen' }], {
    keySize: 2048,
    algorithm: 'sha256',
    notAfterDate: new Date(nowMs + DAYS * 86_400_000),
    extensions: [
      {
        name: 'subjectAltName',
        altNames: [...names.map((value) => ({ type: 2 as const, value })), ...addresses.map((ip) => ({ type: 7 as const, ip }))],
      },
    ],
  });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(certFile, made.cert);
  writeFileSync(keyFile, made.private, { mode: 0o600 });
  return { cert: made.cert, key: made.private, made: true };
}
