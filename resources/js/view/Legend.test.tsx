// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Legend } from './Legend';

describe('the legend', () => {
    it('has five numbers between its ends, in the unit it names', () => {
        render(<Legend of="temperature" min={293.15} max={373.15} units="mm" />);
        expect(screen.getByText('Temperature, °C')).toBeVisible();
        for (const tick of ['20.0', '40.0', '60.0', '80.0', '100.0']) expect(screen.getByText(tick)).toBeVisible();
    });

    it('follows the units of the user', () => {
        render(<Legend of="temperature" min={273.15} max={373.15} units="us" />);
        expect(screen.getByText('Temperature, °F')).toBeVisible();
        expect(screen.getByText('32.0')).toBeVisible();
        expect(screen.getByText('212.0')).toBeVisible();
    });

    it('gives slow speeds another digit', () => {
        render(<Legend of="speed" min={0} max={1} units="mm" />);
        expect(screen.getByText(/Speed in the section/)).toBeVisible();
        expect(screen.getByText('0.25')).toBeVisible();
    });
});
