// @vitest-environment happy-dom

import { describe, expect, it } from 'vitest';
import { draw, fireEvent, screen, waitFor } from '../tests/screen';
import { OfficeFiles } from './OfficeFiles';

const PATIENT = { timeout: 20_000 };
const COLUMNS = {
    columns: ['name', 'code', 'found northing', 'verdict'],
    layouts: [{ id: 4, name: 'Client', columns: ['verdict', 'name'] }],
};

async function opened(issue: number | null) {
    const drawn = draw(<OfficeFiles project={1} issue={issue} />, {
        'GET /projects/1/table-layouts': COLUMNS,
        'PUT /projects/1/table-layouts': { id: 9, name: 'Office', columns: ['verdict', 'name'] },
    });
    fireEvent.click(screen.getByRole('button', { name: issue === null ? 'Files for the office' : `Files of report ${issue}` }));
    fireEvent.change(screen.getByLabelText('Format'), { target: { value: 'csv' } });
    await waitFor(() => expect(screen.getByRole('option', { name: 'Client' })).toBeTruthy(), PATIENT);
    return drawn;
}

const link = () => screen.getByRole('link', { name: 'Save the file' }).getAttribute('href');

describe('columns of the table', { timeout: 60_000 }, () => {
    it('are all, or those of a layout, of today or as they were issued', async () => {
        await opened(null);
        expect(link()).toBe('/api/v1/projects/1/report.csv');
        fireEvent.change(screen.getByLabelText('Columns', { selector: 'select' }), { target: { value: '4' } });
        expect(link()).toBe('/api/v1/projects/1/report.csv?layout=4');
    });

    it('of an issued report too', async () => {
        await opened(3);
        fireEvent.change(screen.getByLabelText('Columns', { selector: 'select' }), { target: { value: '4' } });
        expect(link()).toBe('/api/v1/projects/1/report-issues/3.csv?layout=4');
    });

    it('are chosen in an order, kept under a name, and used at once', async () => {
        const { asked } = await opened(null);
        fireEvent.click(screen.getByRole('button', { name: 'Choose columns' }));
        fireEvent.click(screen.getByLabelText('name'));
        fireEvent.click(screen.getByLabelText('verdict'));
        fireEvent.click(screen.getByRole('button', { name: 'verdict earlier' }));
        fireEvent.change(screen.getByLabelText('Name of these columns'), { target: { value: 'Office' } });
        fireEvent.click(screen.getByRole('button', { name: 'Keep 2 columns' }));
        await waitFor(() => expect(link()).toBe('/api/v1/projects/1/report.csv?layout=9'), PATIENT);
        expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({ name: 'Office', columns: ['verdict', 'name'] });
    });
});
