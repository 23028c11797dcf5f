import type { Schemas } from '../api/client';
import { Length } from '../parts/Figure';
import { Scroll } from '../parts/Scroll';
import type { Mends } from './mends';

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
                            <th>{seen.format === 'geojson' ? 'feature' : 'line'}</th>
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

/** A reissued list of control beside the one in use; nothing changes until it is taken. */
export function Comparison({ of }: { of: Schemas['ControlReissued'] }) {
    return (
        <section aria-label="Beside the control in use" className="border-l-4 border-chalk pl-3">
            <h3 className="font-semibold">
                Beside the control in use: {of.same} the same, {of.moved.length} moved, {of.new.length} new, {of.gone.length} not in this
                list
            </h3>
            {of.moved.length > 0 && (
                <table className="list">
                    <thead>
                        <tr>
                            <th>name</th>
                            <th className="n">moved in plan</th>
                            <th className="n">of that</th>
                            <th className="n">and</th>
                            <th className="n">in height</th>
                            <th>setups that used it</th>
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
                                <td>{m.setups || 'none'}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            {of.new.length > 0 && <p>New: {of.new.slice(0, 20).join(', ')}</p>}
            {of.gone.length > 0 && <p>Not in this list, and kept: {of.gone.slice(0, 20).join(', ')}</p>}
        </section>
    );
}
