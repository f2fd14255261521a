import { describe, expect, it } from 'vitest';
import { addressOf, fromAddress } from './useAddress';

describe('the address of the page', () => {
    it('says stage, selection and view, and brings them back', () => {
        const address = addressOf('Judge', ['processor', 'sink 2'], 7);
        expect(address.toString()).toBe('stage=judge&part=processor&part=sink+2&view=7');
        expect(fromAddress(address)).toEqual({ stage: 'Judge', selection: ['processor', 'sink 2'], savedView: 7 });
    });

    it('leaves the screen as it is where it says nothing that is understood', () => {
        expect(fromAddress(new URLSearchParams('stage=dream&view=x'))).toEqual({ selection: [], savedView: null });
    });
});
