import { describe, expect, it } from 'vitest';
import { helpFor } from './StageHelp';
import { STAGES } from './stages';

describe('help where the stage stands', () => {
    it.each(STAGES.map(([name]) => name))('has one paragraph for %s', (stage) => {
        expect(helpFor(stage)).toMatch(/^[A-Z][^\n#]{200,}$/);
    });

    it('takes the paragraph under its own word and no other', () => {
        expect(helpFor('as-built', '# x\n\n## Stake\n\none\n\n## As-built\n\ntwo\n')).toBe('two');
    });
});
