<?php

declare(strict_types=1);

namespace Tests\Browser;

use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;
use Tests\Running;

/** Designs as they really arrive: a drawing in millimetres beside control in metres, control with two names exchanged, a revision. */
final class DesignsTest extends TestCase
{
    private static ?Running $parlay = null;

    private static string $folder;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running;
        self::$folder = sys_get_temp_dir().'/parlay-designs-'.bin2hex(random_bytes(4));
        mkdir(self::$folder);
        Reference::python(
            (string) file_get_contents(__DIR__.'/hall.py'),
            ['first' => self::$folder.'/hall.dxf', 'second' => self::$folder.'/hall-b.dxf'],
        );
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay = null;
        exec('rm -rf '.escapeshellarg(self::$folder));
    }

    public function test_a_drawing_proves_itself_on_the_control_and_a_revision_is_drawn_over_it(): void
    {
        $s = new Screen(new Chrome(1280, 800), self::$parlay->url);
        $id = $this->project();
        $this->control(
            $s, $id,
            "Name,N,E,Z\nCP1,78607.833,41220.271,4.1\nCP2,78640.240,41315.046,4.2\nCP3,78703.998,41297.079,4.4\nCP4,78692.689,41244.661,4.3\n",
        );
        $s->press('Take 4 as control')->see('CP4');

        $s->open("/p/$id/prepare?do=designs")->give(Screen::DESIGN_FILE, self::$folder.'/hall.dxf');
        $s->see('in millimetres, as drawn')
            ->see('4 of 4 control points')
            ->see('The file says millimetres')
            ->see('1 on NOTES about')
            ->see('frozen in the file');
        $s->press('Take 3 layers')->see('active design')->see('3 of 3 shown')->see('1 shape lies far off');
        $layer = array_column(self::$parlay->ask('GET', "/projects/$id/designs")[0]['layers'], null, 'name')['FOOTINGS'];
        self::assertSame('#0000ff', $layer['colour']);

        // The distance that is written on the drawing, beside the one between two centres.
        $s->boxAround(78640, 41254.5, 9)
            ->press('Inverse between two spots')
            ->touchPlan(78640, 41250)
            ->see('Touch the second place')
            ->touchPlan(78640, 41259)
            ->see('9.000 m')
            ->see('The drawing says: “9.000”');
        $s->press('Close the inverse');

        // A point made from the first revision is still there after the second.
        $s->press('Points')
            ->press('Make points by touch')
            ->fill('Prefix', 'F')
            ->touchPlan(78640, 41250)
            ->see('layer FOOTINGS')
            ->press('Make F1')
            ->see('Search 1 points')
            ->press('Finish');
        $s->press('Designs')
            ->give('New revision of hall (DXF, IFC, or shapefiles in a zip)', self::$folder.'/hall-b.dxf')
            ->see('in millimetres, as drawn')
            ->fill('Revision', 'B')
            ->press('Take 3 layers');
        $s->see('revision B')->see('at most by')->see('0.150 m')->see('Points made from them stay');
        self::assertSame('F1', self::$parlay->ask('GET', "/projects/$id/points")[0]['name']);
        $changes = self::$parlay->ask('GET', "/projects/$id/designs")[1]['changes'];
        self::assertSame(
            [['layer' => 'FOOTINGS', 'added' => 1, 'gone' => 5, 'moved' => 5]],
            array_map(static fn (array $c) => array_diff_key($c, ['farthest' => 0]), $changes),
        );

        // Layers: searched, the other way round, seen but not picked.
        $s->press('What changed')
            ->fill('Search layers', 'foot')
            ->press('Don’t pick FOOTINGS')
            ->press('Points')
            ->press('Make points by touch')
            ->touchPlan(78640, 41259)
            ->see('Nothing to take within reach')
            ->press('Finish');
        $s->press('Designs')->fill('Search layers', 'foot')->press('Invert')->see('2 of 3 shown')->press('Invert')->see('3 of 3 shown');
    }

    public function test_two_names_exchanged_in_a_control_file_are_found_by_the_drawing_and_mended_with_one_touch(): void
    {
        $s = new Screen(new Chrome(800, 1280), self::$parlay->url);
        $id = $this->project();
        $upload = (string) file_get_contents(self::$folder.'/hall.dxf');
        $s->open("/p/$id/prepare?do=designs")
            ->give(Screen::DESIGN_FILE, self::$folder.'/hall.dxf')
            ->see('There is no control yet')
            ->press('Take 3 layers')
            ->see('active design');
        self::assertNotSame('', $upload);
        $this->control(
            $s, $id,
            "Name,N,E,Z\nCP1,78607.833,41220.271,4.1\nCP3,78640.240,41315.046,4.2\nCP2,78703.998,41297.079,4.4\nCP4,78692.689,41244.661,4.3\n",
        );
        $s->see('“CP3” and “CP2” lie where the project has each other')
            ->press('Mend it so')
            ->see('decided')
            ->press('Take 4 as control')
            ->see('CP4');
        // The name stands in the preview as well: what was taken is asked of the server.
        self::assertTrue(Running::until(static fn () => count(self::$parlay->ask('GET', "/projects/$id/control")) === 4, 60));
        $control = array_column(self::$parlay->ask('GET', "/projects/$id/control"), null, 'name');
        self::assertSame([78640.240, 78703.998], [$control['CP2']['northing'], $control['CP3']['northing']]);
        // Issued again: what moved is shown, and nothing changes until it is told.
        $this->control($s, $id, "Name,N,E,Z\nCP1,78607.841,41220.277,4.1\nCP9,78650,41250,4\n");
        $s->see('0 the same, 1 moved, 1 new, 3 not in this list')
            ->see('0.008 m north')
            ->choose('What becomes of them', 'replace')
            ->press('Take 2 as control')
            ->see('CP9');
        // This name stands in the preview, too.
        $first = static fn (): float => array_column(
            self::$parlay->ask('GET', "/projects/$id/control"), null, 'name',
        )['CP1']['northing'];
        self::assertTrue(Running::until(static fn () => $first() === 78607.841, 60));
        $s->press('Undo')->doNotSee('CP9');
        self::assertTrue(Running::until(static fn () => $first() === 78607.833, 60), 'the former control is back');
    }

    public function test_rows_pasted_from_a_spreadsheet_are_looked_over_and_a_whole_project_goes_out_and_comes_back(): void
    {
        $s = new Screen(new Chrome(1280, 800), self::$parlay->url);
        $id = $this->project();
        $rows = "Name\tN\tE\tZ\\n";
        foreach (range(1, 9) as $i) {
            $rows .= sprintf("S%d\t%.3f\t%.3f\t4.5\\n", $i, $i === 4 ? 786430.2 : 78640 + $i, 41230 + 5 * $i);
        }
        $s->open("/p/$id/prepare?do=points")->press('Paste from a spreadsheet');
        $s->driver->executeScript("const t = document.querySelector('textarea'); "
            ."Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(t, arguments[0].replaceAll('\\\\n', "
                ."'\\n')); t.dispatchEvent(new Event('input', {bubbles: true}))", [$rows]);
        $s->press('Look at it')->see('“S4” lies')->press('Leave out')->press('Take 8 as points')->see('Search 8 points');
        $s->open('/projects')->see('Designs');
        $task = self::$parlay->ask('POST', "/projects/$id/packing");
        self::assertTrue(
            Running::until(static fn () => self::$parlay->ask('GET', "/projects/$id/tasks/{$task['id']}")['state'] === 'done', 60),
        );
        file_put_contents(self::$folder.'/packed.zip', file_get_contents(self::$parlay->url."/api/v1/projects/$id/packed/{$task['id']}"));
        file_put_contents(self::$folder.'/damaged.zip', substr((string) file_get_contents(self::$folder.'/packed.zip'), 0, 500));
        $s->give('Choose a packed project', self::$folder.'/damaged.zip')
            ->see('can’t be opened as one')
            ->give('Choose a packed project', self::$folder.'/packed.zip')
            ->see('8 points')
            ->press('Points')
            ->see('Search 8 points');
    }

    private function project(): int
    {
        return self::$parlay->ask('POST', '/projects', [
            'name' => 'Designs '.bin2hex(random_bytes(3)),
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])['id'];
    }

    private function control(Screen $s, int $id, string $rows): void
    {
        file_put_contents(self::$folder.'/control.csv', $rows);
        $s->open("/p/$id/control")
            ->give('Choose or drop a control file (CSV, text, LandXML, GeoJSON)', self::$folder.'/control.csv')
            ->see('The doctor');
    }
}
