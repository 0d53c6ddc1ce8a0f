import { useTranslations } from 'next-intl';
import { endedWords, ruleTraits, ruleWords } from '@/core/drill';
import type { BlockFacts } from './facts';

/** How a going at a drill ended, by its rule. */
export function RuleEnd({ progress, last }: Pick<BlockFacts, 'progress' | 'last'>) {
  const t = useTranslations();
  const ended = endedWords(progress, last.cap);
  const { count, of, line } = progress.words;
  return (
    <p className="text-[1rem]">
      {ended ?? t('session.ruleEnd.notFinished')}{' '}
      {!(ended && ruleTraits(last.rule).counts) && (
        <span className="text-ink2">
          {ruleWords(last.rule)} ({[[count, of].join(' '), line].filter(Boolean).join(', ')}).
        </span>
      )}
    </p>
  );
}
