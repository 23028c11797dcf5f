// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import { draw, fireEvent, said, screen, waitFor } from '../tests/screen';
import { OfficeFiles } from './OfficeFiles';

const MODELS = [
    { id: 7, name: 'Hall', placeWord: 'instance', current: true },
    { id: 8, name: 'Old hall', placeWord: 'instance', current: false },
    { id: 9, name: 'Plan', placeWord: 'line', current: true },
];

const shown = (issue: number | null) => draw(<OfficeFiles project={1} issue={issue} />, { 'GET /projects/1/designs': MODELS });
const opened = (label: string) => fireEvent.click(screen.getByRole('button', { name: label }));
const link = () => screen.getByRole('link', { name: 'Save the file' }).getAttribute('href');
const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('files for the office', () => {
    it('are of today, or of the report that was issued', () => {
        shown(null);
        opened('Files for the office');
        expect(link()).toBe('/api/v1/projects/1/report-file?format=html&zone=UTC');
    });

    it('of an issued report say which one', () => {
        shown(3);
        opened('Files of report 3');
        expect(said()).toContain('Marks of report 3');
        expect(link()).toBe('/api/v1/projects/1/report-issues/3/file?format=html');
    });

    it('arrows are as long as was said, and no other figure goes out', () => {
        shown(null);
        opened('Files for the office');
        choose('Format', 'dxf');
        choose('Arrows, times the deviation', '12,5');
        expect(link()).toBe('/api/v1/projects/1/report-file?format=dxf&arrows=12.5&zone=UTC');
        for (const wrong of ['-3', 'x', '0', '200000']) {
            choose('Arrows, times the deviation', wrong);
            expect(screen.queryByRole('link', { name: 'Save the file' })).toBeNull();
            expect(said()).toContain('1 to 100 000 times');
        }
        choose('Format', 'geojson');
        expect(link()).toBe('/api/v1/projects/1/report-file?format=geojson&zone=UTC');
    });

    it('topics and models are in coordinates of a building model that is current', async () => {
        shown(3);
        opened('Files of report 3');
        choose('Format', 'ifc');
        await waitFor(() => screen.getByLabelText('In coordinates of'));
        expect([...(screen.getByLabelText('In coordinates of') as HTMLSelectElement).options].map((o) => o.textContent)).toEqual([
            'the site',
            'Hall',
        ]);
        choose('In coordinates of', '7');
        expect(link()).toBe('/api/v1/projects/1/report-issues/3/file?format=ifc&model=7');
        expect(said()).toContain('figures as properties');
        choose('Format', 'bcf');
        fireEvent.click(screen.getByLabelText('Also what is in tolerance'));
        expect(link()).toBe('/api/v1/projects/1/report-issues/3/file?format=bcf&all=1&model=7');
    });
});
