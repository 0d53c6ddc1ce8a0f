import { z } from 'zod';
import { DEGREE } from './constants';

const GRADE = /^(\d+(?:[.,]\d+)?|[.,]\d+)\s*(%|percent|per cent|°|deg|degrees?)?$/;

/**
 * A Zod schema from a slope as a coach types it ("2 %", "2", "1.2°") to rise over run. A bare number is per cent.
 *
 * @param max greatest grade allowed, rise over run
 */
export function gradeSchema(max: number) {
  return z.string().transform((text, context) => {
    const typed = text.trim().toLowerCase();
    const refuse = (message: string) => {
      context.addIssue({ code: 'custom', message });
      return z.NEVER;
    };
    if (typed === '' || typed === 'flat') return 0;
    const part = GRADE.exec(typed);
    const shown = text.trim().slice(0, 24);
    if (!part) return refuse(`“${shown}” is not a slope. Type a slope such as 2 % or 1.2°.`);
    const number = Number((part[1] ?? '').replace(',', '.'));
    const grade = /^(°|deg)/.test(part[2] ?? '')
      ? Math.tan(Math.min(number, 80) * DEGREE)
      : number / 100;
    if (grade > max + 1e-12) {
      return refuse(`A slope of ${shown} is too steep: use 0 % to ${showGrade(max)}.`);
    }
    return grade;
  });
}

/**
 * Prints a grade in per cent.
 *
 * @param grade rise over run
 * @example showGrade(0.02) // "2 %"
 */
export const showGrade = (grade: number): string => `${Number((grade * 100).toFixed(1))} %`;
