import { endedWords, ruleTraits, ruleWords } from '@/core/drill';
import type { BlockFacts } from './facts';

/** How a going at a drill ended, by its rule. */
export function RuleEnd({ progress, last }: Pick<BlockFacts, 'progress' | 'last'>) {
  const ended = endedWords(progress, last.cap);
  const { count, of, line } = progress.words;
  return (
    <p className="text-[1rem]">
      {ended ?? 'Not finished:'}{' '}
      {!(ended && ruleTraits(last.rule).counts) && (
        <span className="text-ink2">
          {ruleWords(last.rule)} ({count} {of}
          {line && `, ${line}`}).
        </span>
      )}
    </p>
  );
}
