import { describe, expect, it } from 'vitest';
import { obstacleOf } from './Readiness';

const net = (name: string, terminals: string[], ready: boolean, says: string) => ({ name, terminals, ready, says, pixels: 9, in: 0, out: 0 });

describe('what keeps currents from being computed', () => {
    it('is a terminal beside the copper before an open circuit', () => {
        const open = net('VBAT', ['Battery'], false, 'no load');
        expect(obstacleOf({ loose: ['Winch'], nets: [open] })).toBe('On no copper: Winch');
        expect(obstacleOf({ loose: [], nets: [net('GND', [], false, 'no terminals'), open] })).toBe('VBAT: no load');
        expect(obstacleOf({ loose: [], nets: [net('GND', ['a', 'b'], true, 'ready')] })).toBeNull();
    });
});
