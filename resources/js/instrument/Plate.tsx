import {
    Battery,
    BatteryWarning,
    ChevronDown,
    CircleDot,
    FlaskConical,
    Link2,
    Link2Off,
    Lock,
    LockOpen,
    Moon,
    Scale,
    Sun,
} from 'lucide-react';
import type { Live, Project, SetupState } from '../api/client';
import { useSetup } from '../api/hooks';
import { Button } from '../parts/Button';
import { Length } from '../parts/Figure';
import type { Theme } from '../theme/theme';
import { PoleMenu } from './PoleMenu';

interface Props {
    project: Project;
    live: Live | undefined;
    practising: boolean;
    onPractise: () => void;
    theme: Theme;
    onTheme: (theme: Theme) => void;
    /** turns to what is staked; null where nothing is */
    onTurn: (() => Promise<unknown>) | null;
}

const LINKS: Record<string, string> = {
    up: 'linked',
    lost: 'link lost',
    starting: 'linking',
    stopped: 'not running',
};

/** How the instrument is, at a glance; each state by a word and a sign. */
export function Plate({ project, live, practising, onPractise, theme, onTheme, onTurn }: Props) {
    const setup = useSetup(project.id);
    const i = live?.instrument;
    const up = i?.link === 'up';
    const draft = setup.data?.draft;
    const dot = draft?.dot === true;
    return (
        <div className="flex items-stretch border-l border-rule max-[959px]:flex-1 max-[959px]:border-l-0 max-[959px]:[&>section]:flex-1 max-[959px]:[&>section]:grid-cols-[repeat(4,auto)_minmax(0,1fr)]">
            <section
                className="grid grid-cols-[auto_auto_auto] items-center gap-x-3 px-3 py-1 text-sm leading-tight"
                aria-label="Instrument"
            >
                <State
                    good={up}
                    icon={up ? <Link2 /> : <Link2Off />}
                    word={`${LINKS[i?.link ?? 'stopped'] ?? i?.link}${!up && i?.retryIn ? `, again in ${i.retryIn.toFixed(0)} s` : ''}`}
                />
                <State
                    good={up && (i.locked || dot)}
                    icon={dot ? <CircleDot /> : i?.locked ? <Lock /> : <LockOpen />}
                    word={!up ? 'no reading' : dot ? 'red dot' : i.locked ? 'on prism' : 'no prism'}
                />
                <State good={up && i.level} icon={<Scale />} word={!up ? 'level unknown' : i.level ? 'level' : 'not level'} />
                <State
                    good={up && i.battery > 0.15}
                    icon={up && i.battery > 0.15 ? <Battery /> : <BatteryWarning />}
                    word={up ? `${Math.round(i.battery * 100)} %` : 'battery ?'}
                />
                {draft ? (
                    <PoleMenu project={project} draft={draft} live={live} onTurn={onTurn}>
                        <button
                            type="button"
                            className="col-start-3 row-span-2 row-start-1 -mr-2 flex min-h-12 min-w-0 cursor-pointer items-center gap-1 rounded-sm border border-ink/30 px-2 text-left text-[0.8rem] hover:bg-wash max-[959px]:col-start-5 max-[959px]:row-span-1"
                            title="Pole and red dot"
                        >
                            <TargetInUse draft={draft} instrument={up ? i : undefined} />
                            <ChevronDown className="size-4 shrink-0" aria-hidden="true" />
                        </button>
                    </PoleMenu>
                ) : null}
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
function TargetInUse({ draft, instrument }: { draft: SetupState['draft']; instrument: Live['instrument'] | undefined }) {
    const here = draft.dot ? 0 : 1000 * draft.prismConstant;
    const there = instrument?.prismConstant == null ? null : 1000 * instrument.prismConstant;
    const constantDiffers = there !== null && Math.abs(there - here) > 0.05;
    // An instrument that applies nothing by itself leaves nothing to confuse.
    const ppmDiffers = instrument?.ppm != null && instrument.ppm !== 0 && Math.abs(instrument.ppm - draft.ppm) > 0.5;
    const differ = constantDiffers || ppmDiffers;
    return (
        <span
            className={`min-w-0 flex-1 truncate ${constantDiffers ? 'font-semibold text-out' : 'text-quiet'}`}
            title={differ ? 'Each reading is corrected by what is set here; what the instrument applied is taken out first' : undefined}
        >
            {!differ && (
                <>
                    {draft.dot ? 'Dot' : 'Target'} <Length of={draft.dot ? 0 : draft.targetHeight} />
                    <br className="max-[959px]:hidden" /> const. <span className="figure">{here.toFixed(1)} mm</span>
                    {there !== null && <span className="sr-only"> here and on the instrument</span>}
                </>
            )}
            {constantDiffers && <Both name="const." unit="mm" here={here} there={there} />}
            {!constantDiffers && ppmDiffers && <Both name="air" unit="ppm" here={draft.ppm} there={instrument.ppm ?? 0} />}
        </span>
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
