import type { Schemas } from '../api/client';
import { Length } from '../parts/Figure';
import { Scroll } from '../parts/Scroll';
import type { Mends } from './mends';
import { placeWord } from './placeWord';

/** The first rows as they will be stored. */
export function AsRead({ seen, mends }: { seen: Schemas['PointsPreview']; mends: Mends }) {
    return (
        <section aria-label="As it is read">
            <h3 className="font-semibold">
                As it is read: {seen.good} {seen.good === 1 ? 'point' : 'points'}
                {seen.faulty > 0 && `, ${seen.faulty} wrong ${seen.faulty === 1 ? 'row' : 'rows'}`}
            </h3>
            <Scroll label="Rows as they are read" className="max-h-56">
                <table className="list">
                    <thead>
                        <tr>
                            <th>{placeWord(seen.format)}</th>
                            <th>name</th>
                            <th className="n">northing</th>
                            <th className="n">easting</th>
                            <th className="n">elevation</th>
                            <th>code</th>
                        </tr>
                    </thead>
                    <tbody>
                        {seen.rows.map((r) => {
                            const place = mends.places.find((p) => p.line === r.line) ?? r;
                            const out = mends.leaveOutLines.includes(r.line);
                            return (
                                <tr key={r.line} className={out ? 'text-quiet line-through' : ''}>
                                    <td>{r.line}</td>
                                    <td>{r.name}</td>
                                    <td className="n">
                                        <Length of={place.northing} />
                                    </td>
                                    <td className="n">
                                        <Length of={place.easting} />
                                    </td>
                                    <td className="n">
                                        <Length of={mends.noElevations ? null : r.elevation} />
                                    </td>
                                    <td>{r.code}</td>
                                </tr>
                            );
                        })}
                    </tbody>
                </table>
            </Scroll>
        </section>
    );
}

/** A way with its sign as a word. */
function Way({ of, words }: { of: number; words: [string, string] }) {
    return (
        <>
            <Length of={Math.abs(of)} /> {of < 0 ? words[1] : words[0]}
        </>
    );
}

/** A list that was issued again beside what is in use; nothing changes until it is taken, and then as is decided for names that are taken. */
export function Comparison({ of, target }: { of: Schemas['ListReissued']; target: 'control' | 'points' }) {
    const used = target === 'control' ? 'setups that used it' : 'measured';
    return (
        <section aria-label="Beside what is in use" className="border-chalk border-l-4 pl-3">
            <h3 className="font-semibold">
                Beside the {target === 'control' ? 'control' : 'points'} in use: {of.same} the same, {of.movedCount} moved,{' '}
                {of.recodedCount > 0 && `${of.recodedCount} with another code, `}
                {of.newCount} new, {of.goneCount} not in this list
            </h3>
            {of.moved.length > 0 && (
                <Scroll label="What moved" className="max-h-72">
                    <table className="list">
                        <thead>
                            <tr>
                                <th>name</th>
                                <th className="n">moved in plan</th>
                                <th className="n">of that</th>
                                <th className="n">and</th>
                                <th className="n">in height</th>
                                <th>{used}</th>
                            </tr>
                        </thead>
                        <tbody>
                            {of.moved.map((m) => (
                                <tr key={m.name}>
                                    <td className="font-semibold">{m.name}</td>
                                    <td className="n">
                                        <Length of={m.plan} />
                                    </td>
                                    <td className="n">
                                        <Way of={m.dNorthing} words={['north', 'south']} />
                                    </td>
                                    <td className="n">
                                        <Way of={m.dEasting} words={['east', 'west']} />
                                    </td>
                                    <td className="n">
                                        {m.height === null ? 'elevation came or went' : <Way of={m.height} words={['up', 'down']} />}
                                    </td>
                                    <td>{m.uses || (target === 'control' ? 'none' : 'not yet')}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </Scroll>
            )}
            {of.recoded.length > 0 && (
                <p>
                    Another code:{' '}
                    {of.recoded
                        .slice(0, 20)
                        .map((r) => `${r.name} ${r.was === '' ? 'without one' : r.was} becomes ${r.becomes}`)
                        .join(', ')}
                    {of.recodedCount > 20 && ` and ${of.recodedCount - 20} more`}
                </p>
            )}
            {of.new.length > 0 && <p>New: {shortly(of.new, of.newCount)}</p>}
            {of.gone.length > 0 && <p>Not in this list, and kept: {shortly(of.gone, of.goneCount)}</p>}
        </section>
    );
}

const shortly = (names: string[], count: number) => `${names.slice(0, 20).join(', ')}${count > 20 ? ` and ${count - 20} more` : ''}`;
