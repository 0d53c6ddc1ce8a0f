import { t } from 'tests/english';
import { LIBRARY } from '@/core/drill';
import { COMMON_KIT } from '@/core/people';
import { DEFAULT_UNITS } from '@/core/units';
import { NO_FILTER, drillSummaries, fits, type DrillFilter } from './summary';

const all = drillSummaries(t, [], DEFAULT_UNITS);
const found = (filter: Partial<DrillFilter>) =>
  all.filter((drill) => fits(drill, { ...NO_FILTER, ...filter })).map(({ id }) => id);

describe('looking for a drill', () => {
  it('finds them all when nothing is asked', () => expect(found({})).toHaveLength(LIBRARY.length));

  it('by words in any order, wherever they stand', () => {
    expect(found({ words: 'coin over' })).toContain('coin-roll-over');
    expect(found({ words: 'HALF circle' })).toContain('three-in-one');
    expect(found({ words: 'windmill' })).toEqual([]);
  });

  it('never offers a drill for a miss it harms', () => {
    expect(found({ miss: 'pull' })).toContain('grip-end-guide');
    expect(found({ miss: 'push' })).not.toContain('grip-end-guide');
    expect(found({ miss: 'push' })).not.toContain('lead-hand-only');
  });

  it('by school, place, time and what is at hand', () => {
    expect(found({ school: 'straight' })).toContain('six-tee-lane');
    expect(found({ school: 'arc' })).not.toContain('six-tee-lane');
    expect(found({ place: 'home' })).not.toContain('limit-line');
    for (const id of found({ minutes: 8 })) {
      expect(LIBRARY.find(({ key }) => key === id)!.minutes).toBeLessThanOrEqual(8);
    }
    expect(found({ kit: COMMON_KIT })).toContain('straight-gate');
    expect(found({ kit: COMMON_KIT })).not.toContain('rod-corridor');
    expect(found({ kit: [...COMMON_KIT, 'rod'] })).toContain('rod-corridor');
  });

  it('by skill and level', () => {
    for (const id of found({ skill: 'pace', level: 'beginner' })) {
      const drill = LIBRARY.find(({ key }) => key === id)!;
      expect(drill.skills).toContain('pace');
      expect(drill.levels).toContain('beginner');
    }
  });
});
