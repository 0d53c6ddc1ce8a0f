import type { DrillDetails } from '@/core/drill';
import type { Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import type { Wrong } from '@/ui/parsed-input';
import type { Draft } from './draft';

/** What every panel of the designer works with. */
export interface Editing {
  draft: Draft;
  units: UnitPreferences;
  /** Takes a layout when it can be built; answers why not, or null. Changes `of` the same thing in a row are one step. */
  tryLayout(next: Layout, of: string): string | null;
  changeDetails(changes: Partial<DrillDetails>, of: string): void;
  onWrong: Wrong;
}
