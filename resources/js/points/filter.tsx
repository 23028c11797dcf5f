import type { StakeoutPoint } from '../api/client';
import { Choice, TextField } from '../parts/Field';
import type { Filter } from '../stage/pointFilter';

export type { Filter } from '../stage/pointFilter';

export const EVERYTHING: Filter = { code: null, origin: null, state: 'all', first: '', last: '', words: '' };

export const isFiltered = (f: Filter): boolean =>
    f.code !== null || f.origin !== null || f.state !== 'all' || f.first !== '' || f.last !== '' || Boolean(f.words);

const STATES: Record<Filter['state'], string> = { all: '', open: 'not yet done', redo: 'to redo', done: 'done', shared: 'sharing a name' };

/** What is listed, in words. */
export const filterWords = (f: Filter): string =>
    [
        f.code === null ? '' : f.code === '' ? 'without a code' : `code ${f.code}`,
        f.origin === null ? '' : `from ${f.origin}`,
        STATES[f.state],
        f.first === '' && f.last === '' ? '' : `names ${f.first || 'first'} to ${f.last || 'last'}`,
        f.words ? `with “${f.words}”` : '',
    ]
        .filter(Boolean)
        .join(', ');

/** A7 comes before A12. */
const NATURAL = new Intl.Collator(undefined, { numeric: true });

/** How many points bear each name. */
export function sharedNames(points: StakeoutPoint[]): Map<string, number> {
    const count = new Map<string, number>();
    for (const { name } of points) {
        count.set(name, (count.get(name) ?? 0) + 1);
    }
    return count;
}

export function filterOf(filter: Filter, points: StakeoutPoint[]): (p: StakeoutPoint) => boolean {
    const shared = filter.state === 'shared' ? sharedNames(points) : null;
    const words = (filter.words ?? '').trim().toLowerCase();
    return (p) =>
        (words === '' || `${p.name} ${p.code} ${p.description} ${p.made}`.toLowerCase().includes(words)) &&
        (filter.code === null || p.code === filter.code) &&
        (filter.origin === null || p.origin === filter.origin) &&
        (filter.first === '' || NATURAL.compare(p.name, filter.first) >= 0) &&
        (filter.last === '' || NATURAL.compare(p.name, filter.last) <= 0) &&
        (filter.state === 'all' ||
            (filter.state === 'shared'
                ? (shared?.get(p.name) ?? 0) > 1
                : filter.state === 'open'
                  ? p.state !== 'done'
                  : p.state === filter.state));
}

const MOST_CODES = 200;

export function FilterFields({
    points,
    filter,
    onFilter,
}: {
    points: StakeoutPoint[];
    filter: Filter;
    onFilter: (filter: Filter) => void;
}) {
    const codes = [...new Set(points.map((p) => p.code))].sort().slice(0, MOST_CODES);
    const origins = [...new Set(points.map((p) => p.origin))].sort();
    return (
        <div className="grid grid-cols-3 gap-2">
            <Choice
                label="Code"
                value={filter.code ?? '*'}
                options={[['*', 'all'], ...codes.map((c) => [c, c === '' ? 'without' : c] as const)]}
                onValue={(code) => onFilter({ ...filter, code: code === '*' ? null : code })}
            />
            <Choice
                label="Come from"
                value={filter.origin ?? '*'}
                options={[['*', 'anywhere'], ...origins.map((o) => [o, o] as const)]}
                onValue={(origin) => onFilter({ ...filter, origin: origin === '*' ? null : origin })}
            />
            <Choice
                label="Which"
                value={filter.state}
                options={[
                    ['all', 'all'],
                    ['open', 'not yet done'],
                    ['redo', 'to redo'],
                    ['done', 'done'],
                    ['shared', 'sharing a name'],
                ]}
                onValue={(state) => onFilter({ ...filter, state })}
            />
            <TextField label="Names from" value={filter.first} onValue={(first) => onFilter({ ...filter, first })} />
            <TextField label="to" value={filter.last} onValue={(last) => onFilter({ ...filter, last })} />
        </div>
    );
}
