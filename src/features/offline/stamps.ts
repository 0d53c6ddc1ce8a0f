import { format } from '@/ui/when';
import { v4 } from 'uuid';
import type { Stamps } from './begun';

/** Ids and times as this device makes them. */
export const STAMPS: Stamps = { newId: v4, now: () => new Date().toISOString() };

/** A time of today by the clock, an earlier one with its day. */
export function timeOf(at: string): string {
  const date = new Date(at);
  const isToday = format(date, 'yyyy-MM-dd') === format(new Date(), 'yyyy-MM-dd');
  return format(date, isToday ? 'HH:mm' : 'd MMM, HH:mm');
}
