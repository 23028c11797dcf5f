import { Battery, BatteryWarning, FlaskConical, Link2, Link2Off, Lock, LockOpen, Moon, Scale, Sun } from 'lucide-react';
import type { Live, Project, SetupState } from '../api/client';
import { useSetup } from '../api/hooks';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import type { Theme } from '../theme/theme';

interface Props {
    project: Project;
    live: Live | undefined;
    practising: boolean;
    onPractise: () => void;
    theme: Theme;
    onTheme: (theme: Theme) => void;
}

const LINKS: Record<string, string> = {
    up: 'linked',
    lost: 'link lost',
    starting: 'linking',
    stopped: 'not running',
};

/** How the instrument is, at a glance; each state by a word and a sign. */
export function Plate({ project, live, practising, onPractise, theme, onTheme }: Props) {
    const setup = useSetup(project.id);
    const i = live?.instrument;
    const up = i?.link === 'up';
    return (
        <div className="flex items-stretch border-l border-rule max-[959px]:flex-1 max-[959px]:border-l-0 max-[959px]:[&>section]:flex-1 max-[959px]:[&>section]:grid-cols-4">
            <section className="grid min-w-56 grid-cols-2 items-center gap-x-3 px-3 py-1 text-sm leading-tight" aria-label="Instrument">
                <State
                    good={up}
                    icon={up ? <Link2 /> : <Link2Off />}
                    word={`${LINKS[i?.link ?? 'stopped'] ?? i?.link}${!up && i?.retryIn ? `, again in ${i.retryIn.toFixed(0)} s` : ''}`}
                />
                <State
                    good={up && i.locked}
                    icon={i?.locked ? <Lock /> : <LockOpen />}
                    word={!up ? 'no reading' : i.locked ? 'on prism' : 'no prism'}
                />
                <State good={up && i.level} icon={<Scale />} word={!up ? 'level unknown' : i.level ? 'level' : 'not level'} />
                <State
                    good={up && i.battery > 0.15}
                    icon={up && i.battery > 0.15 ? <Battery /> : <BatteryWarning />}
                    word={up ? `${Math.round(i.battery * 100)} %` : 'battery ?'}
                />
                <TargetInUse draft={setup.data?.draft} instrument={up ? i : undefined} />
            </section>
            <Button
                kind="bare"
                aria-label="Practice world"
                title="Practice world of the stand-in instrument"
                pressed={practising}
                onClick={onPractise}
                icon={<FlaskConical />}
            />
            <Button
                kind="bare"
                aria-label={theme === 'sun' ? 'Paper theme' : 'Sun theme'}
                title={theme === 'sun' ? 'Paper theme' : 'Sun theme'}
                onClick={() => onTheme(theme === 'sun' ? 'paper' : 'sun')}
                icon={theme === 'sun' ? <Moon /> : <Sun />}
            />
        </div>
    );
}

function State({ good, icon, word }: { good: boolean; icon: React.ReactNode; word: string }) {
    return (
        <div
            className={`flex items-center gap-1.5 whitespace-nowrap [&_svg]:size-4 [&_svg]:shrink-0 ${good ? '' : 'font-semibold text-out'}`}
        >
            {icon}
            {word}
        </div>
    );
}

/** What Parlay believes of the target and the air, and what is set on the instrument: side by side where they differ. */
function TargetInUse({ draft, instrument }: { draft: SetupState['draft'] | undefined; instrument: Live['instrument'] | undefined }) {
    const here = 1000 * (draft?.prismConstant ?? 0);
    const there = instrument?.prismConstant == null ? null : 1000 * instrument.prismConstant;
    const constantDiffers = there !== null && Math.abs(there - here) > 0.05;
    // An instrument that applies nothing by itself leaves nothing to confuse.
    const ppmDiffers = draft !== undefined && instrument?.ppm != null && instrument.ppm !== 0 && Math.abs(instrument.ppm - draft.ppm) > 0.5;
    const differ = constantDiffers || ppmDiffers;
    return (
        <div
            className={`col-span-2 truncate max-[959px]:col-span-4 ${constantDiffers ? 'font-semibold text-out' : 'text-quiet'}`}
            title={differ ? 'Each reading is corrected by what is set here; what the instrument applied is taken out first' : undefined}
        >
            {!differ && (
                <>
                    Target <Length of={draft?.targetHeight} none="–" />, const. <span className="figure">{here.toFixed(1)} mm</span>
                    {there !== null && <span className="sr-only"> here and on the instrument</span>}
                </>
            )}
            {constantDiffers && <Both name="const." unit="mm" here={here} there={there} />}
            {!constantDiffers && ppmDiffers && <Both name="air" unit="ppm" here={draft.ppm} there={instrument.ppm ?? 0} />}
        </div>
    );
}

const Both = ({ name, unit, here, there }: { name: string; unit: string; here: number; there: number }) => (
    <>
        {name}{' '}
        <span className="figure">
            {here.toFixed(1)} {unit}
        </span>{' '}
        here,{' '}
        <span className="figure">
            {there.toFixed(1)} {unit}
        </span>{' '}
        on it
    </>
);
