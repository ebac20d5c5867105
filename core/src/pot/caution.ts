/** What a cook is warned of, as data; the sentences live with the screen. Temperatures °C, lengths m, masses kg. */
export type Caution =
  | { readonly code: 'HARD_TO_CUT'; readonly lineIds: readonly string[] }
  | { readonly code: 'HOT_FAT' }
  | { readonly code: 'TRAY_ROUNDS'; readonly rounds: number; readonly trays: number }
  | { readonly code: 'TRAY_CROWDED'; readonly loadKgM2: number }
  | { readonly code: 'NOT_TENDER'; readonly lineIds: readonly string[] }
  | { readonly code: 'BOILED_DRY' }
  | { readonly code: 'BURNER_TOO_SMALL'; readonly neededW: number; readonly givenW: number }
  | { readonly code: 'BURNER_LIMITS'; readonly fluxKgM2H: number }
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
  | { readonly code: 'TARGET_PASSED'; readonly what: 'salt' | 'cream'; readonly overKg: number }
  | { readonly code: 'TARGET_UNREACHABLE'; readonly what: 'salt' | 'cream' }
  | { readonly code: 'OVER_THE_BRIM'; readonly overM3: number; readonly usableM3: number }
  | { readonly code: 'TWO_PEOPLE_LIFT'; readonly massKg: number }
  | { readonly code: 'READING_QUESTIONED'; readonly readKg: number; readonly expectedKg: number }
  | { readonly code: 'KEEP_WARM_OR_COLD'; readonly hotC: number; readonly coldC: number };
