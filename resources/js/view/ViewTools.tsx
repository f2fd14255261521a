import CenterFocusStrongOutlined from '@mui/icons-material/CenterFocusStrongOutlined';
import ColorizeOutlined from '@mui/icons-material/ColorizeOutlined';
import ContentCut from '@mui/icons-material/ContentCut';
import FitScreenOutlined from '@mui/icons-material/FitScreenOutlined';
import HighlightAltOutlined from '@mui/icons-material/HighlightAltOutlined';
import OpacityOutlined from '@mui/icons-material/OpacityOutlined';
import StraightenOutlined from '@mui/icons-material/StraightenOutlined';
import VideocamOutlined from '@mui/icons-material/VideocamOutlined';
import VisibilityOffOutlined from '@mui/icons-material/VisibilityOffOutlined';
import VisibilityOutlined from '@mui/icons-material/VisibilityOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import { memo, type ReactNode } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Outline } from '../api/types';
import { useScreen } from '../state/screen';
import { fit } from './camera/aim';
import { ExportMenu } from './ExportMenu';
import { layersOf } from './shown/shown';
import { show, shownNow, useShown } from './shown/store';
import { newSection } from './shown/newLayers';
import type { Picture } from './layers/picture';
import { ResultExport } from './ResultExport';
import { ViewsMenu } from './views/ViewsMenu';

interface Props {
    outline: Outline;
    /** Whether a run has something to show. */
    shows: boolean;
    /** It, as it is shown now. */
    picture: () => Picture | null;
    project: number;
    mayEdit: boolean;
}

const row = { display: 'flex', alignItems: 'center', height: 34, px: 0.25 } as const;

/** A tool that its picture says; pressed while it is in hand. */
function Tool({ label, title, pressed, onClick, children }: { label: string; title: string; pressed?: boolean; onClick: () => void; children: ReactNode }) {
    return (
        <Tooltip describeChild title={title}>
            <IconButton
                size="small"
                aria-label={label}
                aria-pressed={pressed}
                onClick={onClick}
                sx={{ borderRadius: 1, color: pressed ? 'primary.main' : 'inherit', bgcolor: pressed ? 'action.selected' : undefined }}
            >
                {children}
            </IconButton>
        </Tooltip>
    );
}

/** Section, probe, measure, selection, what is hidden, and where the camera looks: one row. */
export const ViewTools = memo(function ViewTools({ outline, shows, picture, project, mayEdit }: Props) {
    const { stage, tool, perspective, selection, hidden, set, toggleHidden, toggleTool } = useScreen(
        useShallow(({ stage, tool, perspective, selection, hidden, set, toggleHidden, toggleTool }) => ({
            stage,
            tool,
            perspective,
            selection,
            hidden,
            set,
            toggleHidden,
            toggleTool,
        })),
    );
    const sections = useShown(useShallow((shown) => layersOf(shown, 'section')));
    const faint = useShown((shown) => shown.faint);
    const cut = sections.some((section) => section.visible);
    const isHidden = selection.length > 0 && selection.every((id) => hidden.includes(id));
    return (
        <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 1, pointerEvents: 'none !important', '& > *': { pointerEvents: 'auto' } }}>
            <Paper variant="outlined" sx={row}>
                <Tool
                    label="Section"
                    title={cut ? 'Hide the sections' : 'Cut through the model'}
                    pressed={cut}
                    onClick={() => {
                        if (cut) sections.forEach((section) => show.change(section, { visible: false }));
                        else if (sections[0]) show.change(sections[0], { visible: true });
                        else show.add(newSection(outline.space, 'temperature'));
                        if (!cut) set({ openLayer: layersOf(shownNow(), 'section')[0]?.id ?? null });
                    }}
                >
                    <ContentCut fontSize="small" />
                </Tool>
                {shows && (
                    <Tool
                        label="Probe"
                        title="Click surfaces and sections to pin their temperature (P)"
                        pressed={tool === 'probe'}
                        onClick={() => toggleTool('probe')}
                    >
                        <ColorizeOutlined fontSize="small" />
                    </Tool>
                )}
                <Tool label="Measure" title="Click two places to read their distance (M)" pressed={tool === 'measure'} onClick={() => toggleTool('measure')}>
                    <StraightenOutlined fontSize="small" />
                </Tool>
                <Tool label="Box select" title="Draw a box around parts to select them (B)" pressed={tool === 'box'} onClick={() => toggleTool('box')}>
                    <HighlightAltOutlined fontSize="small" />
                </Tool>
                {selection.length > 0 && (
                    <>
                        <Tool
                            label={isHidden ? 'Show' : 'Hide'}
                            title={isHidden ? 'Show the selected parts (H)' : 'Hide the selected parts (H)'}
                            onClick={() => toggleHidden(selection)}
                        >
                            {isHidden ? <VisibilityOutlined fontSize="small" /> : <VisibilityOffOutlined fontSize="small" />}
                        </Tool>
                        <Tool
                            label="Isolate"
                            title="Show the selected parts alone"
                            onClick={() => set({ hidden: outline.parts.map((part) => part.id).filter((id) => !selection.includes(id)) })}
                        >
                            <CenterFocusStrongOutlined fontSize="small" />
                        </Tool>
                        {stage === 'Judge' && (
                            <Tool
                                label="See through"
                                title="See through the selected parts"
                                pressed={selection.every((id) => faint.includes(id))}
                                onClick={() => show.toggleFaint(selection)}
                            >
                                <OpacityOutlined fontSize="small" />
                            </Tool>
                        )}
                    </>
                )}
                {hidden.length > 0 && (
                    <Button
                        color="inherit"
                        aria-label={`Show ${hidden.length} hidden`}
                        startIcon={<VisibilityOutlined fontSize="small" />}
                        sx={{ px: 0.75, minWidth: 0, whiteSpace: 'nowrap' }}
                        onClick={() => set({ hidden: [] })}
                    >
                        {hidden.length} hidden
                    </Button>
                )}
            </Paper>
            <Stack direction="row" sx={{ gap: 1 }}>
                {stage === 'Build' && <ExportMenu outline={outline} />}
                <Paper variant="outlined" sx={row}>
                    <Tool
                        label="Perspective"
                        title={perspective ? 'Parallel view' : 'Perspective view'}
                        pressed={perspective}
                        onClick={() => set({ perspective: !perspective })}
                    >
                        <VideocamOutlined fontSize="small" />
                    </Tool>
                    <Tool
                        label="Fit"
                        title={selection.length > 0 ? 'Fit the selection into the view (F)' : 'Fit everything into the view (F)'}
                        onClick={() => fit(outline.parts.filter((part) => selection.includes(part.id)))}
                    >
                        <FitScreenOutlined fontSize="small" />
                    </Tool>
                    {stage === 'Judge' && shows && <ResultExport picture={picture} outline={outline} />}
                    {stage === 'Judge' && <ViewsMenu project={project} mayEdit={mayEdit} />}
                </Paper>
            </Stack>
        </Stack>
    );
});
