import { describe, expect, it } from 'vitest';
import { readable, veiled } from './ink';

describe('the colours of the plan', () => {
    it('lets a fifth through paper, whichever way its colour is written', () => {
        expect(veiled('#fff')).toBe('rgba(255, 255, 255, 0.8)');
        expect(veiled('#f3eee2')).toBe('rgba(243, 238, 226, 0.8)');
    });

    it('makes a drawing’s light colours dark enough for paper, and white ink', () => {
        expect(readable('#ffffff')).toBe('#1f1c17');
        expect(readable('#0000ff')).toBe('rgb(0,0,255)');
        expect(readable('#ffff00')).toBe('rgb(130,130,0)');
        expect(readable('#ffff00', 0.3)).toBe('rgb(86,86,0)');
        expect(readable('#0000ff', 0.3)).toBe('rgb(0,0,255)');
    });
});
