// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Curve } from './Curve';

const ticks = [
    { at: -4, name: '1e-4' },
    { at: 0, name: '1' },
];

const line = (name: string, ...heights: number[]) => ({ name, points: heights.map((y, x) => ({ x: x + 1, y })), colour: '#333333' });

const places = (element: Element) =>
    element
        .getAttribute('points')!
        .split(' ')
        .map((pair) => pair.split(',').map(Number) as [number, number]);

describe('a curve over the iterations', () => {
    it('is a picture with a name, and has the names of its ticks', () => {
        render(<Curve label="Residual" end="120 iterations" width={400} curves={[line('residual', 0, -2, -4)]} ticks={ticks} />);
        expect(screen.getByRole('img', { name: 'Residual, 120 iterations' })).toBeVisible();
        expect(screen.getByText('1e-4')).toBeVisible();
    });

    it('falls as its values fall and ends at the right', () => {
        const { container } = render(<Curve label="Residual" end="3" width={400} curves={[line('residual', 0, -2, -4)]} ticks={ticks} />);
        const [first, second, third] = places(container.querySelector('polyline')!);
        expect(first![1]).toBeLessThan(second![1]);
        expect(second![1]).toBeCloseTo((first![1] + third![1]) / 2);
        expect(third![0]).toBeCloseTo(392);
        expect(container.querySelectorAll('circle')).toHaveLength(3);
    });

    it('keeps what lies beyond its ticks at their height', () => {
        const { container } = render(<Curve label="Residual" end="2" width={400} curves={[line('residual', 3, -9)]} ticks={ticks} />);
        const [above, below] = places(container.querySelector('polyline')!);
        const { container: other } = render(<Curve label="Residual" end="2" width={400} curves={[line('residual', 0, -4)]} ticks={ticks} />);
        expect([above![1], below![1]]).toEqual(places(other.querySelector('polyline')!).map((p) => p[1]));
    });

    it('names several curves where they end, none over another', () => {
        render(<Curve label="Temperature" end="2" width={600} curves={[line('U1', 0, -2), line('U2', 0, -2.01), line('U3', 0, -2.02)]} ticks={ticks} />);
        const heights = ['U1', 'U2', 'U3'].map((name) => Number(screen.getByText(name).getAttribute('y')));
        expect(heights[1]! - heights[0]!).toBeGreaterThanOrEqual(13);
        expect(heights[2]! - heights[1]!).toBeGreaterThanOrEqual(13);
    });
});
