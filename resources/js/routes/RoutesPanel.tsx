import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import { useTheme } from '@mui/material/styles';
import type { ECElementEvent } from 'echarts/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Outline, Result } from '../api/types';
import { Chart } from '../charts/Chart';
import { useScreen } from '../state/screen';
import { number, watts } from '../units/units';
import type { Band } from '../view/layers/litFaces';
import { heatRoutes, nameOfRoute, sourcesOf, stepsOf, type RouteNode } from './heatRoutes';

interface Props {
    outline: Outline;
    result: Result;
    /** The parts that are followed first; null: all. */
    of: readonly string[] | null;
    onClose: () => void;
}

/** What the diagram has of a place, or of a band between two. */
interface Drawn {
    id?: string;
    ids?: [string, string];
}

const bandOf = (event: ECElementEvent | null): Band | null => {
    const { ids } = (event?.data ?? {}) as Drawn;
    return ids ? { from: ids[0], to: ids[1] } : null;
};

/** Pixels of the diagram, so that the view above it keeps most of the screen. */
const HEIGHT = 236;

const colours: Record<RouteNode['kind'], string> = { part: '#c9785f', air: '#3b7c96', exit: '#8b8578', sun: '#d6a531' };

/** A name of an assembly in the choice of what is followed. */
const GROUP = 'group ';

/** Where the watts of a part, an assembly or all go, through their neighbours, to where they leave. */
export function RoutesPanel({ outline, result, of, onClose }: Props) {
    const { palette } = useTheme();
    const set = useScreen((s) => s.set);
    const [followed, setFollowed] = useState(of && of.length === 1 ? of[0]! : 'all');
    const [least, setLeast] = useState(1);
    const [wanted, setWanted] = useState(Infinity);
    const heating = useMemo(() => sourcesOf(result, null), [result]);
    const groups = [...new Set(outline.parts.flatMap((part) => (part.group && heating.has(part.id) ? [part.group] : [])))];
    const sources = useMemo(() => {
        if (followed === 'all') return heating;
        const ids = followed.startsWith(GROUP)
            ? outline.parts.filter((part) => part.group === followed.slice(GROUP.length)).map((part) => part.id)
            : [followed];
        return sourcesOf(result, new Set(ids));
    }, [followed, result, outline, heating]);
    const routes = useMemo(() => heatRoutes(result, sources), [result, sources]);
    const steps = useMemo(() => stepsOf(routes, sources.keys()), [routes, sources]);
    const deepest = Math.max(1, ...routes.links.map((link) => (steps.get(link.from) ?? 0) + 1));
    const depth = Math.min(wanted, deepest);
    const name = useCallback((id: string) => nameOfRoute(id, outline), [outline]);
    const near = useMemo(() => routes.links.filter((link) => (steps.get(link.from) ?? 0) < depth), [routes, steps, depth]);
    const shown = useMemo(() => near.filter((link) => link.heat >= (least / 100) * routes.given), [near, routes, least]);
    const small = near.length - shown.length;
    /** W through a place, what is not drawn too. */
    const passing = useCallback(
        (id: string) => {
            const sum = (end: 'from' | 'to') => routes.links.filter((link) => link[end] === id).reduce((all, link) => all + link.heat, 0);
            return Math.max(sum('from'), sum('to'));
        },
        [routes],
    );
    const option = useMemo(
        () => ({
            tooltip: { trigger: 'item', confine: true },
            series: [
                {
                    type: 'sankey',
                    left: 8,
                    right: 150,
                    top: 12,
                    bottom: 12,
                    nodeGap: 11,
                    nodeWidth: 12,
                    layoutIterations: 64,
                    emphasis: { focus: 'trajectory' },
                    label: {
                        color: palette.text.primary,
                        fontSize: 12,
                        formatter: ({ data }: { data: { title: string; heat: number } }) => `${data.title}  ${watts(data.heat)} W`,
                    },
                    lineStyle: { color: 'gradient', opacity: 0.42 },
                    data: routes.nodes
                        .filter((node) => shown.some((link) => link.from === node.id || link.to === node.id))
                        .map((node) => ({
                            id: node.id,
                            name: node.id,
                            title: name(node.id),
                            heat: passing(node.id),
                            itemStyle: { color: colours[node.kind] },
                        })),
                    links: shown.map((link) => ({
                        source: link.from,
                        target: link.to,
                        value: Number(link.heat.toPrecision(6)),
                        ids: [link.from, link.to],
                    })),
                    tooltip: {
                        formatter: ({ value, data }: { value: number; data: { title?: string; heat?: number; ids?: string[] } }) =>
                            `${data.title ?? (data.ids ?? []).map(name).join(' → ')}: <b>${watts(data.heat ?? value)} W</b>`,
                    },
                },
            ],
        }),
        [routes, shown, name, passing, palette],
    );
    const [kept, setKept] = useState<Band | null>(null);
    const select = useCallback(
        (event: ECElementEvent) => {
            const { id, ids = [] } = event.data as Drawn;
            const parts = [id, ...ids].filter((one): one is string => outline.parts.some((part) => part.id === one));
            if (parts.length > 0) set({ selection: parts });
            setKept(bandOf(event));
        },
        [outline, set],
    );
    const lightUp = useCallback(
        (event: ECElementEvent | null) => {
            set({ band: bandOf(event) ?? kept });
        },
        [set, kept],
    );
    useEffect(() => {
        set({ band: kept });
        return () => set({ band: null });
    }, [set, kept, result]);
    return (
        <Box component="section" aria-label="Heat routes" sx={{ borderTop: 1, borderColor: 'divider', bgcolor: 'background.paper', flexShrink: 0 }}>
            <Stack direction="row" sx={{ alignItems: 'center', gap: 2, px: 2, pt: 0.75 }}>
                <Box component="h2" sx={{ m: 0, fontSize: 14, fontWeight: 650 }}>
                    Heat routes
                </Box>
                <Select
                    size="small"
                    variant="standard"
                    disableUnderline
                    value={followed}
                    onChange={(e) => setFollowed(e.target.value)}
                    inputProps={{ 'aria-label': 'Heat of' }}
                    sx={{ fontSize: 14 }}
                >
                    <MenuItem value="all">All sources, {watts([...heating.values()].reduce((sum, heat) => sum + heat, 0))} W</MenuItem>
                    {groups.map((group) => (
                        <MenuItem key={group} value={`${GROUP}${group}`}>
                            {group}
                        </MenuItem>
                    ))}
                    {[...heating].map(([id, heat]) => (
                        <MenuItem key={id} value={id}>
                            {name(id)}, {watts(heat)} W
                        </MenuItem>
                    ))}
                    {!heating.has(followed) && followed !== 'all' && !followed.startsWith(GROUP) && (
                        <MenuItem value={followed}>{name(followed)}, no heat of its own</MenuItem>
                    )}
                </Select>
                <Stack direction="row" sx={{ alignItems: 'center', gap: 1, ml: 'auto', fontSize: 13, color: 'text.secondary' }}>
                    <span>Steps</span>
                    <Slider
                        size="small"
                        aria-label="Steps from the sources"
                        min={1}
                        max={deepest}
                        step={1}
                        value={depth}
                        onChange={(_e, to) => setWanted(to === deepest ? Infinity : to)}
                        sx={{ width: 90 }}
                    />
                    <Box component="span" sx={{ width: 30 }}>
                        {depth === deepest ? 'all' : depth}
                    </Box>
                    <span>At least</span>
                    <Slider
                        size="small"
                        aria-label="Smallest share shown"
                        min={0}
                        max={10}
                        step={0.5}
                        value={least}
                        onChange={(_e, to) => setLeast(to)}
                        sx={{ width: 110 }}
                    />
                    <Box component="span" sx={{ width: 44 }}>{`${number(least, 1)} %`}</Box>
                </Stack>
                <IconButton size="small" aria-label="Close" onClick={onClose}>
                    <Close fontSize="small" />
                </IconButton>
            </Stack>
            <Box sx={{ px: 2, pb: 1 }}>
                {shown.length > 0 ? (
                    <Chart
                        label="Heat routes"
                        height={HEIGHT}
                        option={option}
                        onClick={select}
                        onHover={lightUp}
                        table={() => [
                            ['From', 'To', 'Heat W'],
                            ...routes.links.map((link) => [name(link.from), name(link.to), Number(link.heat.toPrecision(6))]),
                        ]}
                    />
                ) : (
                    <Box sx={{ py: 6, textAlign: 'center', color: 'text.secondary' }}>Nothing here makes heat of its own. Choose a part that does.</Box>
                )}
                {routes.given > 0 && (
                    <Box sx={{ fontSize: 13, color: 'text.secondary', pt: 1 }}>
                        {watts(routes.given)} W are followed, {watts(routes.left)} W leave: the balance is open by{' '}
                        {number((100 * Math.abs(routes.given - routes.left)) / routes.given, 3)} %.
                        {small > 0 && ` ${small} smaller ${small === 1 ? 'flow is' : 'flows are'} not drawn.`} A band lights up its faces in the view; a click
                        keeps them and selects what it joins.
                    </Box>
                )}
            </Box>
        </Box>
    );
}
