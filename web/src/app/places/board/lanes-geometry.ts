import { clockOf } from '@tureen/core/board';
import type { DayPicture, Stay } from '../../cooking/day-picture';

/** From one lane to another, drawn as a line so wide. */
export interface DrawnBend {
  readonly path: string;
  readonly colour: string;
  readonly wide: number;
}

/** A bar, drawn. */
export interface Drawn {
  readonly path: string;
  readonly colour: string;
  readonly blockId: string;
  readonly waits: boolean;
  readonly title: string;
}

export interface Label {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

export interface LaneLine {
  readonly id: string;
  readonly name: string;
  readonly top: number;
  readonly middle: number;
  readonly bottom: number;
  readonly isHands: boolean;
}

export interface ChipBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly text: string;
  readonly title: string;
}

export interface PostLine extends Label {
  readonly anchor: 'start' | 'end';
}

/** A day's picture at a width, px. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  /** How wide a minute is. */
  readonly perMin: number;
  readonly lanes: readonly LaneLine[];
  readonly hours: readonly Label[];
  readonly bars: readonly Drawn[];
  readonly bends: readonly DrawnBend[];
  readonly names: readonly Label[];
  readonly chips: readonly ChipBox[];
  readonly posts: readonly PostLine[];
  readonly nowX: number | undefined;
}

const LEFT = 132;
const TOP = 52;
const BOTTOM = 8;
const RIGHT = 16;
const LANE = 45;
/** What lies side by side in one lane adds so much to it, px. */
const BESIDE = 20;
const LEAST = 5;
const MOST = 24;
const SWING = 20;
const MOST_BEND = 10;
const LETTER = 7.2;
const ROOM_FOR_NAME = 8.4;

/** In which row of its lane each stay lies: what is there at the same time lies side by side. */
function rowsOf(stays: readonly Stay[]): { readonly row: ReadonlyMap<Stay, number>; readonly count: number } {
  const row = new Map<Stay, number>();
  const ends: number[] = [];
  for (const stay of [...stays].sort((a, b) => a.fromMin - b.fromMin || a.toMin - b.toMin)) {
    let at = ends.findIndex((end) => end <= stay.fromMin);
    if (at === -1) at = ends.length;
    ends[at] = stay.toMin;
    row.set(stay, at);
  }
  return { row, count: Math.max(1, ends.length) };
}

/** Draws a day's lanes and ribbons. @param nowMin where the day is today, minutes after midnight. */
export function drawn(picture: DayPicture, width: number, nowMin: number | undefined): Drawing {
  const { fromMin, toMin, mostKg, ways } = picture;
  const perMin = (width - LEFT - RIGHT) / (toMin - fromMin);
  const x = (minute: number): number => LEFT + (minute - fromMin) * perMin;
  const thick = (kg: number): number => LEAST + (MOST - LEAST) * Math.sqrt(Math.max(0, kg) / mostKg);
  const lanes: LaneLine[] = [];
  const middleOf = new Map<Stay, number>();
  const laneMiddle = new Map<string, number>();
  let top = TOP;
  for (const { id, name, isHands } of picture.lanes) {
    const stays = ways.flatMap((way) => way.stays.filter(({ lane }) => lane === id));
    const { row, count } = rowsOf(stays);
    const height = LANE + (count - 1) * BESIDE;
    const middle = top + height / 2 + (isHands ? 0 : 6);
    for (const [stay, at] of row) middleOf.set(stay, middle + (at - (count - 1) / 2) * BESIDE);
    laneMiddle.set(id, middle);
    lanes.push({ id, name, top, middle: top + height / 2 + 5, bottom: top + height, isHands });
    top += height;
  }
  const bars: Drawn[] = [];
  const bends: DrawnBend[] = [];
  const names: Label[] = [];
  for (const way of ways) {
    const yAt = (lane: string, minute: number): number => {
      const there = way.stays.find((stay) => stay.lane === lane && stay.fromMin <= minute && minute <= stay.toMin);
      return (there === undefined ? laneMiddle.get(lane) : middleOf.get(there)) ?? TOP;
    };
    for (const stay of way.stays) {
      const half = thick(stay.kg) / 2;
      const y = middleOf.get(stay) ?? TOP;
      const from = x(stay.fromMin);
      const to = Math.max(from + 2, x(stay.toMin));
      bars.push({
        path: `M${from.toFixed(1)} ${(y - half).toFixed(1)}H${to.toFixed(1)}V${(y + half).toFixed(1)}H${from.toFixed(1)}Z`,
        colour: way.colour,
        blockId: stay.blockId,
        waits: stay.waits,
        title: way.name,
      });
    }
    for (const bend of way.bends) {
      const x1 = x(bend.fromMin);
      const x2 = Math.max(x(bend.toMin), x1);
      const y1 = yAt(bend.fromLane, bend.fromMin);
      const y2 = yAt(bend.toLane, bend.toMin);
      if (Math.abs(y1 - y2) < 1) continue;
      // It leaves late where there is time to wait, and swings out a little on either side where there is none.
      const start = Math.max(x1, x2 - 2 * SWING) - 2;
      const end = Math.max(x2, start + SWING) + 2;
      const mid = (start + end) / 2;
      bends.push({
        path: `M${start.toFixed(1)} ${y1.toFixed(1)}C${mid.toFixed(1)} ${y1.toFixed(1)} ${mid.toFixed(1)} ${y2.toFixed(1)} ${end.toFixed(1)} ${y2.toFixed(1)}`,
        colour: way.colour,
        wide: Math.min(MOST_BEND, thick(bend.kg) * 0.6),
      });
    }
    const longest = [...way.stays]
      .filter(({ lane }) => !(picture.lanes.find(({ id }) => id === lane)?.isHands ?? true))
      .sort((a, b) => b.toMin - b.fromMin - (a.toMin - a.fromMin))[0];
    if (longest !== undefined) {
      const end = width - RIGHT - way.name.length * ROOM_FOR_NAME;
      names.push({
        x: Math.max(LEFT + 4, Math.min(x(longest.fromMin), end)),
        y: (middleOf.get(longest) ?? TOP) - thick(longest.kg) / 2 - 5,
        text: way.name,
      });
    }
  }
  const hours: Label[] = [];
  const step = toMin - fromMin > 720 ? 120 : 60;
  for (let minute = fromMin; minute <= toMin; minute += step)
    hours.push({
      x: x(minute),
      y: TOP - 10,
      text: picture.posts.some(({ atMin }) => atMin === minute) ? '' : String((((minute / 60) % 24) + 24) % 24),
    });
  const chips = picture.chips.flatMap(({ lane, fromMin: from, toMin: to, text }): ChipBox[] => {
    const y = laneMiddle.get(lane);
    if (y === undefined) return [];
    const box = Math.max(4, x(to) - x(from));
    return [{ x: x(from), y: y - 13, width: box, height: 26, text: text.length * LETTER + 8 <= box ? text : '', title: text }];
  });
  const posts = picture.posts.map(({ atMin, text }): PostLine => {
    const at = x(atMin);
    const said = `${clockOf(atMin)}  ${text}`;
    const fits = at + said.length * LETTER < width;
    return { x: at, y: 16, text: said, anchor: fits ? 'start' : 'end' };
  });
  const isIn = nowMin !== undefined && nowMin >= fromMin && nowMin <= toMin;
  return {
    width,
    height: top + BOTTOM,
    left: LEFT,
    perMin,
    lanes,
    hours,
    bars,
    bends,
    names,
    chips,
    posts,
    nowX: isIn ? x(nowMin) : undefined,
  };
}
