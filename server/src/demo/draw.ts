import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Numbers that look drawn and are the same every time. */
export class Draw {
  private readonly generator: ReturnType<typeof xoroshiro128plus>;

  constructor(seed: number) {
    this.generator = xoroshiro128plus(seed);
  }

  /** Between 0 and 1, in thousandths. */
  unit(): number {
    return uniformInt(this.generator, 0, 1000) / 1000;
  }

  /** Between 1 - spread and 1 + spread. */
  around(spread: number): number {
    return 1 + spread * (2 * this.unit() - 1);
  }

  uuid(): string {
    const hex = Array.from({ length: 32 }, (_, n) =>
      (n === 12 ? 4 : n === 16 ? 8 : uniformInt(this.generator, 0, 15)).toString(16),
    ).join('');
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
  }
}
