<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Running;

/**
 * Every view, at the desk and on the tablet held upright, on paper and in the sun: the rules of accessible pages as axe-core 4 holds
 * them (WCAG 2.2 A and AA, and its good practice), no text too small, nothing to press too small for a glove, the next step in view.
 */
final class AccessTest extends TestCase
{
    private const SIZES = ['desk' => [1280, 670], 'tablet' => [800, 1150]];

    private static ?Running $parlay = null;

    private static ?Chrome $chrome = null;

    private static string $axe = '';

    private static string $rules = '';

    /** Pages that one browser keeps in its memory: from there on it works for its memory alone (1.2 GB after sixty). */
    private const PAGES = 12;

    private static int $pages = 0;

    public static function setUpBeforeClass(): void
    {
        self::$axe = (string) file_get_contents(__DIR__.'/../../node_modules/axe-core/axe.min.js');
        self::$rules = (string) file_get_contents(__DIR__.'/access.js');
        self::$parlay = new Running('demo');
        self::browse();
    }

    private static function browse(): void
    {
        self::$chrome = null;
        self::$chrome = new Chrome(1280, 670);
        self::$chrome->driver->manage()->timeouts()->setScriptTimeout(60);
    }

    public static function tearDownAfterClass(): void
    {
        [self::$chrome, self::$parlay] = [null, null];
    }

    /** @return \Generator<string, array{string, callable(Screen): mixed, 2?: int}>  a path, what is done there, and which project of the list */
    public static function views(): \Generator
    {
        $nothing = static fn (Screen $s) => $s;
        $files = __DIR__.'/../../database/demo/files';
        yield 'projects' => ['/projects', $nothing];
        yield 'a new project' => ['/projects', static fn (Screen $s) => $s->press('New project')->see('Name')];
        yield 'drawings' => ['prepare?do=designs', static fn (Screen $s) => $s->see('Layers: 10 of 10')];
        yield 'a drawing before it is taken' => ['prepare?do=designs', static fn (Screen $s) => $s
            ->give(Screen::DESIGN_FILE, "$files/substation.dxf")
            ->see('Does it fit')];
        yield 'a civil model before it is taken' => ['prepare?do=designs', static fn (Screen $s) => $s
            ->give(Screen::DESIGN_FILE, "$files/saltmarsh-yard-civil.xml")
            ->see('Take it')];
        yield 'points along an alignment' => ['prepare?do=designs', static function (Screen $s): void {
            $s->press('Points along it')->see('What main points are called');
            $s->driver->executeScript('document.querySelectorAll("form details").forEach((d) => (d.open = true))');
            $s->see('line to spiral');
        }];
        yield 'elements of an alignment' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Elements')->see('begins at')];
        yield 'a profile' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Profile')->see('Another vertex')];
        yield 'a template' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Across it')->see('Cross-falls that change')];
        yield 'an alignment being made' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Make an alignment')->see('Start station')];
        yield 'a surface being made' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Make a surface')->see('Name of the surface')];
        yield 'a volume' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Volume')->press('Work it out')->see('prisms, exact')];
        yield 'models going out' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Models out')->see('LandXML')];
        yield 'how the ground is looked at' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Ground')->see('Bands of colour')];
        yield 'the profile under the plan' => ['prepare?do=designs', static fn (Screen $s) => $s->press('Along and across')->see('Heights drawn')];
        yield 'points' => ['prepare?do=points', static fn (Screen $s) => $s->see('A1.1')];
        yield 'making points by touch' => ['prepare?do=points', static fn (Screen $s) => $s->press('Make points by touch')->see('Name')];
        yield 'a point typed in' => ['prepare?do=points', static fn (Screen $s) => $s->press('Type one in')->see('Code')];
        yield 'points in and out' => ['prepare?do=points', static fn (Screen $s) => $s->press('Points in and out')->see('CSV')];
        yield 'points before they are taken' => ['prepare?do=points', static fn (Screen $s) => $s->press('Points in and out')
            ->give('Choose or drop a list of points (CSV, text, LandXML, GeoJSON)', "$files/substation-studs.csv")
            ->see('The doctor suspects')];
        $chosen = static fn (Screen $s) => $s->press('Choose several')->fill('Search 106 points', 'A1')->press('All 4 listed');
        yield 'points chosen' => ['prepare?do=points', $chosen];
        foreach (['Rename', 'Move or fit', 'Code', 'Elevations', 'Worklist', 'Station labels', 'Elevations of a surface'] as $deed) {
            yield "points chosen: $deed" => ['prepare?do=points', static fn (Screen $s) => $chosen($s)->press($deed)];
        }
        yield 'how a point was made' => ['prepare?do=points', static fn (Screen $s) => $s->press('How A1.1 was made')];
        yield 'a point changed' => ['prepare?do=points', static fn (Screen $s) => $s->press('Change A1.1')->see('Northing')];
        yield 'the filter' => ['prepare?do=points', static fn (Screen $s) => $s->press('Filter')];
        yield 'compute' => ['prepare?do=compute', static fn (Screen $s) => $s->see('Two distances')];
        foreach (['Two distances', 'Grid lines', 'Equal parts', 'Inverse', 'Curve solver', 'Bolt circle', 'Circles of one size'] as $kind) {
            yield "compute: $kind" => ['prepare?do=compute', static fn (Screen $s) => $s->press($kind)];
        }
        yield 'sketch' => ['prepare?do=sketch', static fn (Screen $s) => $s->see('Start')];
        yield 'worklists' => ['prepare?do=worklists', $nothing];
        yield 'units and tolerances' => ['prepare?do=points', static fn (Screen $s) => $s->press('Units and tolerances')->see('Units change only')];
        yield 'control' => ['control', static fn (Screen $s) => $s->see('CP1')];
        yield 'control typed in' => ['control', static fn (Screen $s) => $s->press('Type one in')->see('Northing')];
        yield 'control pasted' => ['control', static fn (Screen $s) => $s->press('Paste from a spreadsheet')];
        yield 'control before it is taken' => ['control', static fn (Screen $s) => $s
            ->give('Choose or drop a control file (CSV, text, LandXML, GeoJSON)', "$files/saltmarsh-yard-control.csv")
            ->see('As it is read')];
        yield 'a setup that holds' => ['set-up', static fn (Screen $s) => $s->see('Check shot')];
        yield 'a setup being made' => ['set-up', static fn (Screen $s) => $s->press('Set up anew')->press('Another way')->see('How the instrument finds its place')];
        foreach (['Given direction', 'Grid lines', 'Baseline', 'Known point', 'Resection'] as $way) {
            yield "a setup by $way" => ['set-up', static fn (Screen $s) => $s->press('Set up anew')->press('Another way')->press($way)];
        }
        yield 'where to stand' => ['set-up', static fn (Screen $s) => $s->press('Where to stand next')];
        yield 'stake' => ['stake', static fn (Screen $s) => $s->see('Staked last')];
        yield 'a line touched' => ['stake', static fn (Screen $s) => $s->see('Staked last')->touchPlan(78643.4557, 41226.7354)->see('Stake along')];
        yield 'along a line' => ['stake', static fn (Screen $s) => $s->see('Staked last')->touchPlan(78643.4557, 41226.7354)->press('Stake along the arc')->see('Go to a place on it')];
        yield 'a parallel' => ['stake', static fn (Screen $s) => $s->see('Staked last')->touchPlan(78643.4557, 41226.7354)->press('Stake along the arc')->press('Parallel')->see('then touch its side')];
        yield 'places on a line' => ['stake', static fn (Screen $s) => $s->see('Staked last')->touchPlan(78643.4557, 41226.7354)->press('Stake along the arc')->press('Go to a place on it')->see('Distance from the start')];
        yield 'along a road' => ['stake', static fn (Screen $s) => $s->see('Staked last')->press('Access road')->see('Go to station')];
        yield 'grading to a surface' => ['stake', static fn (Screen $s) => $s->see('Staked last')->press('Yard finished, phase 2')->see('Vertical offset')];
        yield 'a run to begin' => ['stake', static fn (Screen $s) => $s->press('Run over these by itself')->see('Time to mark')];
        yield 'what follows a mark' => ['stake', static fn (Screen $s) => $s->press('On the sheet and after a mark')->see('Keep these choices')];
        yield 'only some points' => ['stake', static fn (Screen $s) => $s->press('Only some of the points')->see('Which points')];
        yield 'the pole and the dot' => ['stake', static fn (Screen $s) => $s->pressStarting('Target 2')->see('Red dot')];
        yield 'layers in the field' => ['stake', static fn (Screen $s) => $s->press('Layers')->see('Show all')];
        yield 'the practice world' => ['stake', static fn (Screen $s) => $s->press('Practice world')->see('the tape reads')];
        yield 'as-built' => ['as-built', static fn (Screen $s) => $s->see('against nothing')];
        yield 'a surface that was begun' => ['as-built', static fn (Screen $s) => $s->see('A3.4')->settle()->press('Begin an as-built surface')->see('Name of the as-built surface')];
        yield 'the field book' => ['as-built', static fn (Screen $s) => $s->pressStarting('Field book')->see('AS-BUILT')];
        yield 'hand over' => ['hand-over', static fn (Screen $s) => $s->see('against design')];
        yield 'files for the office' => ['hand-over', static fn (Screen $s) => $s->press('Files for the office')->see('plan to zoom')];
        yield 'the letterhead' => ['hand-over', static fn (Screen $s) => $s->press('Letterhead and paper')->see('up to six lines')];
        // After all others: what it takes in is seen by whoever comes next.
        yield 'a building model in space' => ['prepare?do=designs', static fn (Screen $s) => $s
            ->give(Screen::DESIGN_FILE, "$files/saltmarsh-yard-hall.ifc")
            ->press('Take 13 layers')
            ->press('In space')
            ->see('Touch a thing to be told')
            ->fill('With these words', 'Plate B2')
            ->see('With these words: 1 of 181')
            ->press('Fit the view')
            ->settle()
            ->touchMiddleOf('canvas')
            ->press('4 × corner, top')
            ->see('32 points on 8 things')];
        yield 'another’s setup' => ['set-up', $nothing, 1];
        yield 'feet and inches' => ['stake', $nothing, 1];
    }

    public function test_by_the_keyboard_alone_a_point_is_found_staked_and_the_focus_is_never_lost(): void
    {
        [$parlay, $chrome] = [self::$parlay, self::$chrome];
        \assert($parlay !== null && $chrome !== null);
        $project = $parlay->ask('GET', '/projects')[0]['id'];
        $parlay->ask('POST', "/projects/$project/open");
        $parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 40]);
        $point = array_column($parlay->ask('GET', "/projects/$project/points"), null, 'name')['G3'];
        $parlay->ask('POST', '/practice', [
            'do' => 'walk', 'northing' => $point['northing'], 'easting' => $point['easting'], 'elevation' => $point['elevation'], 'atOnce' => true,
        ]);
        $chrome->size(...self::SIZES['desk']);
        $chrome->driver->executeScript('try { sessionStorage.clear() } catch {}');
        // The next is asked for here, to see where the focus goes when a button gives way to another.
        $parlay->ask('PUT', "/projects/$project/staking", ['next' => 'off', 'look' => false, 'lath' => false, 'lathLines' => ['name'], 'figures' => []]);
        $s = (new Screen($chrome, $parlay->url))->open("/p/$project/prepare")->see('A1.1')->settle();
        $focus = static fn (): string => (string) $chrome->driver->executeScript(
            'const e = document.activeElement; return e === document.body ? "lost" : e.id || e.getAttribute("aria-label") || e.textContent.slice(0, 40)',
        );
        $keys = static function (string ...$keys) use ($chrome, $s): void {
            $chrome->driver->getKeyboard()->sendKeys(array_values($keys));
            $s->settle();
        };
        // The first stop of the page leads past everything to the sheet.
        $keys(WebDriverKeys::TAB);
        self::assertSame('To the sheet', $focus());
        $keys(WebDriverKeys::ENTER);
        self::assertSame('sheet', $focus());
        $keys('?');
        $s->see('the next step, as if its button were pressed');
        $keys(WebDriverKeys::ESCAPE);
        self::assertSame('sheet', $focus(), 'back where it came from');
        $keys(WebDriverKeys::ALT, '4', WebDriverKeys::ALT);
        $s->see('left, ');
        // Typed anywhere, a name is searched; Enter takes the first, which is the one called so.
        $keys('g');
        $s->see('Find a point');
        $keys('3');
        $keys(WebDriverKeys::ENTER);
        $s->see('G3 (GULLY)')->see('in tolerance');
        self::assertNotSame('lost', $focus());
        $keys(WebDriverKeys::ALT, WebDriverKeys::ENTER, WebDriverKeys::ALT);
        self::assertTrue(Running::until(static fn () => in_array($point['id'], array_column(
            array_filter($parlay->ask('GET', "/projects/$project/marks"), static fn (array $m) => $m['kind'] === 'stake'), 'pointId',
        ), true), 20), 'stored');
        $s->see('Nearest not yet done');
        // The button itself, pressed by Enter, gives way to the next step, and the focus goes along.
        $chrome->driver->executeScript('document.querySelector("[data-next]").focus()');
        $keys(WebDriverKeys::ENTER);
        $s->see('Measure and store')->settle();
        self::assertSame('Measure and store', $focus());
        // From point to point on the plan, said as well as ringed.
        $keys(WebDriverKeys::ALT, 'p', WebDriverKeys::ALT);
        self::assertSame('Plan', $focus());
        $keys('.');
        self::assertMatchesRegularExpression(
            '~^(point|control point) .+, 1 of \d+~', (string) $chrome->driver->executeScript('return [...document.querySelectorAll("[role=status]")].map(e => e.textContent).find(t => / of /.test(t)) ?? ""'),
        );
    }

    /** @param  callable(Screen): mixed  $go */
    #[DataProvider('views')]
    public function test_a_view_can_be_read_and_pressed(string $path, callable $go, int $of = 0): void
    {
        if (++self::$pages % self::PAGES === 0) {
            self::browse();
        }
        [$parlay, $chrome] = [self::$parlay, self::$chrome];
        \assert($parlay !== null && $chrome !== null);
        $project = $parlay->ask('GET', '/projects')[$of]['id'];
        $screen = new Screen($chrome, $parlay->url);
        $chrome->size(...self::SIZES['desk']);
        $chrome->driver->executeScript('try { sessionStorage.clear() } catch {}');
        $screen->open(str_starts_with($path, '/') ? $path : "/p/$project/$path");
        $go($screen);
        $screen->settle();
        $chrome->driver->executeScript(self::$axe);
        $found = [];
        foreach (self::SIZES as $size => [$width, $height]) {
            $chrome->size($width, $height);
            // In the sun only the colours are others, and they are the same on both.
            foreach ($size === 'desk' ? ['paper', 'sun'] : ['paper'] as $theme) {
                $chrome->driver->executeScript('document.documentElement.dataset.theme = arguments[0]', [$theme]);
                $screen->settle();
                foreach ($chrome->driver->executeAsyncScript(self::$rules, [$theme === 'sun']) as $finding) {
                    $found[$finding][] = "$size $theme";
                }
            }
        }
        self::assertSame([], array_map(
            static fn (string $finding, array $where) => $finding.' ('.implode(', ', $where).')', array_keys($found), $found,
        ));
    }
}
