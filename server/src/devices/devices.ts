import type { Hub } from '../hub.js';
import type { Command, DeviceState, Line } from './protocol.js';

interface Known {
  readonly kind: 'scale' | 'probe';
  readonly name: string;
  readonly simulated: boolean;
  readonly connected: boolean;
  readonly container: string | undefined;
  readonly reading:
    { readonly value: number; readonly unit: 'kg' | 'degC'; readonly steady: boolean; readonly cameAtMs: number } | undefined;
}

export type CommandListener = (device: string, command: Command) => void;

/** The scales and probes of the kitchen: what each last said and when that came in. Kept in memory; a batch keeps what was entered. */
export class Devices {
  private readonly known = new Map<string, Known>();
  private readonly listeners = new Set<CommandListener>();

  constructor(
    private readonly hub: Hub,
    private readonly nowMs: () => number,
  ) {}

  /** Takes a line of a bridge and tells every screen. A device that never said hello is known by its id. */
  take(line: Line): void {
    const have = this.known.get(line.device);
    switch (line.type) {
      case 'hello':
        this.known.set(line.device, {
          kind: line.kind,
          name: line.name,
          simulated: line.simulated ?? false,
          connected: true,
          container: line.container,
          reading: undefined,
        });
        break;
      case 'reading':
        this.known.set(line.device, {
          kind: have?.kind ?? (line.unit === 'kg' ? 'scale' : 'probe'),
          name: have?.name ?? line.device,
          simulated: have?.simulated ?? false,
          connected: true,
          container: have?.container,
          reading: { value: line.value, unit: line.unit, steady: line.steady ?? true, cameAtMs: this.nowMs() },
        });
        break;
      case 'bye':
        if (have === undefined) return;
        this.known.set(line.device, { ...have, connected: false });
    }
    const device = this.state(line.device);
    // A pan that is cold is not waited for.
    if (line.type === 'bye' && have?.container !== undefined) this.known.delete(line.device);
    if (device !== undefined) this.hub.tell({ kind: 'device', device });
  }

  private state(id: string): DeviceState | undefined {
    const own = this.known.get(id);
    if (own === undefined) return undefined;
    const { reading, ...rest } = own;
    return {
      id,
      ...rest,
      reading:
        reading === undefined
          ? undefined
          : {
              value: reading.value,
              unit: reading.unit,
              steady: reading.steady,
              ageMs: Math.max(0, this.nowMs() - reading.cameAtMs),
            },
    };
  }

  list(): DeviceState[] {
    return [...this.known.keys()].flatMap((id) => this.state(id) ?? []);
  }

  /** Passes a command on to whoever speaks for the device. @returns false for a device that nobody knows. */
  command(id: string, command: Command): boolean {
    if (!this.known.has(id)) return false;
    for (const listener of this.listeners) listener(id, command);
    return true;
  }

  /** @returns what to call to stop listening. */
  onCommand(listener: CommandListener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }
}
