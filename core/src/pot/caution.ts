/** What a cook is warned of, as data; the sentences live with the screen. Temperatures °C, lengths m, masses kg. */
export type Caution =
  | { readonly code: 'HARD_TO_CUT'; readonly lineIds: readonly string[] }
  | { readonly code: 'PRICK_OR_BURST'; readonly lineIds: readonly string[] }
  | { readonly code: 'WASH_GRIT'; readonly lineIds: readonly string[] }
  | { readonly code: 'HOT_FAT' }
  | { readonly code: 'BURNS_IN_SECONDS'; readonly lineIds: readonly string[] }
  | { readonly code: 'SMOKE_INDOORS' }
  | { readonly code: 'STEAM' }
  | { readonly code: 'LINER_HEAT'; readonly ovenC: number }
  | { readonly code: 'TRAY_ROUNDS'; readonly rounds: number; readonly trays: number }
  | { readonly code: 'TRAY_CROWDED'; readonly layers: number; readonly minutes: number }
  | { readonly code: 'PAN_CROWDED'; readonly minutes: number; readonly setMinutes: number; readonly batches: number }
  | { readonly code: 'NOT_TENDER'; readonly lineIds: readonly string[] }
  | { readonly code: 'NOT_MELDED'; readonly lineIds: readonly string[] }
  | { readonly code: 'BOILED_DRY' }
  | { readonly code: 'CATCHES'; readonly bodyMPas: number }
  | { readonly code: 'TOO_THICK_TO_BOIL_HARD'; readonly bodyMPas: number }
  | { readonly code: 'BURNER_TOO_SMALL'; readonly neededW: number; readonly givenW: number }
  | { readonly code: 'BURNER_LIMITS'; readonly fluxKgM2H: number }
  | { readonly code: 'UNDER_PRESSURE'; readonly tempC: number }
  | { readonly code: 'NO_PRESSURE_COOKER'; readonly pot: string; readonly mostC: number; readonly wantedC: number }
  | { readonly code: 'DROWNED'; readonly pouredKg: number; readonly piecesKg: number; readonly narrower: string | undefined }
  | { readonly code: 'TOO_LITTLE_FOR_JUG'; readonly massKg: number }
  | { readonly code: 'ALCOHOL_LEFT'; readonly share: number }
  | { readonly code: 'HOT_JUG'; readonly fillShare: number; readonly tempC: number }
  | { readonly code: 'HOT_BLADE'; readonly tempC: number }
  | { readonly code: 'LEFT_IN_FOR_THE_BLADE'; readonly lineIds: readonly string[] }
  | {
      readonly code: 'COOL_IN_TWO_STAGES';
      readonly firstToC: number;
      readonly firstMinutes: number;
      readonly toC: number;
      readonly allMinutes: number;
    }
  | { readonly code: 'STAYS_WARM'; readonly lowestC: number }
  | { readonly code: 'TARGET_PASSED'; readonly what: Target; readonly overKg: number }
  | { readonly code: 'TARGET_UNREACHABLE'; readonly what: Target }
  | { readonly code: 'SPOON_IMPLAUSIBLE'; readonly writtenPct: number; readonly lowPct: number; readonly highPct: number }
  | { readonly code: 'LUMPS' }
  | {
      readonly code: 'SPLIT_RISK';
      readonly risk: 'some' | 'high';
      readonly fatPct: number;
      readonly sourG: number;
      readonly tempC: number;
    }
  | { readonly code: 'EGG_TOO_COOL'; readonly tempC: number; readonly leastC: number }
  | { readonly code: 'EGG_SCRAMBLES'; readonly tempC: number; readonly mostC: number }
  | { readonly code: 'SERVE_HOTTER'; readonly tempC: number; readonly leastC: number; readonly minutes: number }
  | { readonly code: 'HOLD_TOO_COOL'; readonly tempC: number; readonly leastC: number; readonly source: string }
  | { readonly code: 'REHEAT_TOO_COOL'; readonly tempC: number; readonly leastC: number }
  | { readonly code: 'REHEAT_TOO_SLOW'; readonly minutes: number; readonly withinMin: number }
  | { readonly code: 'OVER_THE_BRIM'; readonly overM3: number; readonly usableM3: number }
  | { readonly code: 'TWO_PEOPLE_LIFT'; readonly massKg: number }
  | { readonly code: 'NEVER_LIFT'; readonly massKg: number }
  | { readonly code: 'READING_QUESTIONED'; readonly readKg: number; readonly expectedKg: number }
  | { readonly code: 'SALT_QUESTIONED'; readonly readPct: number; readonly expectedPct: number }
  | { readonly code: 'TEMPERATURE_QUESTIONED'; readonly readC: number; readonly mostC: number }
  | { readonly code: 'BODY_QUESTIONED'; readonly readMPas: number; readonly expectedMPas: number }
  | { readonly code: 'READING_OUT_OF_RANGE'; readonly device: string }
  | { readonly code: 'KEEP_WARM_OR_COLD'; readonly hotC: number; readonly coldC: number; readonly source: string };

/** What a step aims at when it settles an amount. */
export type Target = 'salt' | 'cream' | 'body' | 'sour' | 'sweet' | 'heat' | 'fat' | 'mass';
