import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api } from '../api/client';
import { useProject, useReadings, useSavedViews, useStudies } from '../api/queries';
import { saveFile } from '../api/saveFile';
import type { ReportSection, StudyPoint } from '../api/types';
import { fileName } from '../charts/table';
import { usePreferences } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';
import { readContent } from '../view/views/savedView';
import { studyTable, variantsTable } from './tables';
import { takePictures } from './takePictures';

const titles: Record<ReportSection, string> = {
    verdict: 'Verdict, limits and watches',
    question: 'Question and surroundings',
    pictures: 'Pictures',
    parts: 'Parts, watts and materials',
    conditions: 'Conditions',
    heat: 'Where the heat leaves',
    air: 'Air',
    tables: 'Comparison and studies',
    grid: 'Grid and solver',
    trace: 'Traceability',
};
const all = Object.keys(titles) as ReportSection[];

interface Props {
    project: number;
    run: number;
    variant: string;
    onClose: () => void;
}

/** What goes into the report of a run; it is made as one page that is saved, or printed into a PDF. */
export function ReportDialog({ project, run, variant, onClose }: Props) {
    const units = usePreferences((s) => s.units);
    const known = useProject(project).data;
    const views = (useSavedViews(project).data ?? []).filter((view) => readContent(view.content)?.compare === null);
    const studies = useStudies(project).data ?? [];
    const readings = useReadings(project).data ?? [];
    const [sections, setSections] = useState<readonly ReportSection[]>(all);
    const [text, setText] = useState('');
    const [asShown, setAsShown] = useState(true);
    const [chosenViews, setChosenViews] = useState<readonly number[] | null>(null);
    const [chosenStudies, setChosenStudies] = useState<readonly number[]>([]);
    const [progress, setProgress] = useState<string | null>(null);
    const [error, setError] = useState<string | null>(null);
    const wantedViews = views.filter(({ id }) => chosenViews?.includes(id) ?? true);
    const toggle = <T,>(list: readonly T[], one: T): T[] => (list.includes(one) ? list.filter((other) => other !== one) : [...list, one]);
    const make = async (): Promise<Blob | null> => {
        setError(null);
        try {
            setProgress('Taking pictures');
            const pictures = sections.includes('pictures')
                ? await takePictures(asShown, wantedViews, (count) => setProgress(`Taking pictures: ${count} of ${wantedViews.length + Number(asShown)}`))
                : [];
            setProgress('Writing the report');
            const variants = variantsTable(readings, known?.variants ?? [], units);
            const points = await Promise.all(
                studies
                    .filter(({ id }) => chosenStudies.includes(id))
                    .map(async (study) => studyTable(study, (await api.get<{ points: StudyPoint[] }>(`/api/studies/${study.id}/points`)).points, units)),
            );
            const page = await api.postForBytes(`/api/runs/${run}/report`, {
                sections,
                units,
                text,
                pictures,
                tables: [...(variants ? [variants] : []), ...points],
            });
            return new Blob([page], { type: 'text/html' });
        } catch (e) {
            setError(e instanceof Error ? e.message : String(e));
            return null;
        } finally {
            setProgress(null);
        }
    };
    const save = async () => {
        const page = await make();
        if (page) saveFile(page, `${fileName(`${known?.name ?? 'report'} ${variant}`)}.html`);
    };
    const print = async () => {
        // Opened at once, because a window that comes later is taken for an advertisement.
        const sheet = window.open('', '_blank');
        const page = await make();
        if (!sheet) setError('The browser has not let a new window open; allow it, or save the page and print that.');
        else if (!page) sheet.close();
        else {
            sheet.onload = () => sheet.print();
            sheet.location.href = URL.createObjectURL(page);
        }
    };
    const box = (label: string, checked: boolean, onChange: () => void) => (
        <FormControlLabel
            key={label}
            control={<Checkbox size="small" checked={checked} onChange={onChange} sx={{ p: 0.4 }} />}
            label={label}
            slotProps={{ typography: { sx: { fontSize: 13 } } }}
            sx={{ ml: 0, mr: 0 }}
        />
    );
    return (
        <TitledDialog title="Report" maxWidth="sm" fullWidth onClose={onClose}>
            <Stack sx={{ gap: 1.5, pt: 1 }}>
                <TextField
                    label="What you have to say"
                    multiline
                    minRows={3}
                    maxRows={8}
                    value={text}
                    onChange={(event) => setText(event.target.value)}
                    slotProps={{ htmlInput: { maxLength: 20000 } }}
                />
                <Box role="group" aria-label="Sections" sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
                    {all.map((section) => box(titles[section], sections.includes(section), () => setSections(toggle(sections, section))))}
                </Box>
                {sections.includes('pictures') && (
                    <Box role="group" aria-label="Pictures" sx={{ display: 'flex', flexDirection: 'column' }}>
                        <Typography variant="body2" color="text.secondary">
                            Pictures
                        </Typography>
                        {box('The view as it is', asShown, () => setAsShown(!asShown))}
                        {views.map(({ id, name }) =>
                            box(
                                name,
                                wantedViews.some((view) => view.id === id),
                                () =>
                                    setChosenViews(
                                        toggle(
                                            wantedViews.map((view) => view.id),
                                            id,
                                        ),
                                    ),
                            ),
                        )}
                    </Box>
                )}
                {sections.includes('tables') && studies.length > 0 && (
                    <Box role="group" aria-label="Studies" sx={{ display: 'flex', flexDirection: 'column' }}>
                        <Typography variant="body2" color="text.secondary">
                            Studies
                        </Typography>
                        {studies.map(({ id, name }) => box(name, chosenStudies.includes(id), () => setChosenStudies(toggle(chosenStudies, id))))}
                    </Box>
                )}
                {error && <Alert severity="error">{error}</Alert>}
                <Stack direction="row" sx={{ gap: 1, justifyContent: 'flex-end', alignItems: 'center' }}>
                    <Typography role="status" variant="body2" color="text.secondary" sx={{ flex: 1 }}>
                        {progress}
                    </Typography>
                    <Button color="inherit" variant="outlined" disabled={progress !== null || sections.length === 0} onClick={() => void print()}>
                        Print or PDF
                    </Button>
                    <Button variant="contained" disabled={progress !== null || sections.length === 0} onClick={() => void save()}>
                        Save as HTML
                    </Button>
                </Stack>
            </Stack>
        </TitledDialog>
    );
}
