import { endedWords, ruleWords } from '@/core/drill';
import type { BlockFacts } from './facts';

/** A rule that only counts putts: how it ended says all of it. */
const COUNTS = /^\d+ putts,/;

/** How a going at a drill ended, by its rule. */
export function RuleEnd({ progress, last }: Pick<BlockFacts, 'progress' | 'last'>) {
  const ended = endedWords(progress, last.cap);
  const words = ruleWords(last.rule);
  const { count, of, line } = progress.words;
  return (
    <p className="text-[1rem]">
      {ended ?? 'Not finished:'}{' '}
      {!(ended && COUNTS.test(words)) && (
        <span className="text-ink2">
          {words} ({count} {of}
          {line && `, ${line}`}).
        </span>
      )}
    </p>
  );
}
