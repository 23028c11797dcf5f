<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Formats\IfcText;
use Tests\Feature\Designs\TakesDrawings;
use Tests\Feature\SiteTestCase;

/** What goes back to the office: the marks of a report in formats that other programs read. */
final class ReportFileTest extends SiteTestCase
{
    use TakesDrawings;

    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    private function file(string $path): string
    {
        return (string) $this->get('/api/v1'.$this->at($path))->assertOk()->streamedContent();
    }

    private function staked(string $name, float $off): void
    {
        $point = $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position(1010.0 + $off, 2030.0, 10.0), $name);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'evenOut' => true, 'withoutCheck' => true,
        ])->assertOk();
    }

    private function issue(): int
    {
        $task = $this->ask('POST', $this->at('/reports'), ['name' => 'Bolts', 'author' => 'N. O. Body'])->assertOk()->json('id');

        return $this->ask('GET', $this->at("/tasks/$task"))->json('result.number');
    }

    /** @return array<string, string> contents by path */
    private static function unzipped(string $bytes): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new \ZipArchive;
        self::assertTrue($zip->open($path, \ZipArchive::CHECKCONS));
        $files = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        unlink($path);

        return $files;
    }

    public function test_files_of_an_issued_report_stay_as_they_were(): void
    {
        $this->staked('P1', 0.0);
        $this->staked('</script><b>', 0.05);
        $number = $this->issue();
        $before = array_map(fn (string $f): string => $this->file("/report-issues/$number/file?format=$f"), $formats = ['html', 'dxf', 'geojson', 'bcf', 'ifc']);
        $this->staked('P3', 0.0);
        self::assertSame($before, array_map(fn (string $f): string => $this->file("/report-issues/$number/file?format=$f"), $formats), 'the same figures are the same bytes');
        self::assertCount(2, json_decode($before[2], true)['features']);
        self::assertCount(3, json_decode($this->file('/report-file?format=geojson'), true)['features'], 'what is asked for today is as of today');
        // What is out is a topic; with what is in as well where that is asked for.
        self::assertCount(3 + 2, self::unzipped($before[3]));
        self::assertCount(3 + 4, self::unzipped($this->file("/report-issues/$number/file?format=bcf&all=1")));
    }

    public function test_the_page_says_the_figures_of_the_report_and_fetches_nothing(): void
    {
        $this->staked('P1', 0.0);
        $this->staked('</script><b>', 0.05);
        $number = $this->issue();
        $html = $this->file("/report-issues/$number/file?format=html");
        self::assertStringContainsString("default-src 'none'", $html);
        self::assertSame(0, preg_match('~(src|href)\s*=|url\(|@import|https?://(?!www\.w3\.org/2000/svg)~', $html), 'nothing in it is fetched from elsewhere');
        self::assertStringNotContainsString('<b></button>', $html);
        self::assertSame(2, substr_count($html, '<script') - substr_count($html, '\u003C/script'), 'a name can’t end its script');
        $table = $this->ask('GET', $this->at('/report-issues'))->json('0.checksum');
        self::assertStringContainsString($table, $html);
        $data = json_decode((string) preg_replace('~^.*<script type="application/json" id="data">(.*?)</script>.*$~s', '$1', $html), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['P1', '</script><b>'], array_column($data['plan']['marks'], 0));
        $at = array_flip($data['head']);
        $csv = array_map(static fn (string $l): array => str_getcsv($l, ',', '"', ''), explode("\n", trim($this->get('/api/v1'.$this->at("/report-issues/$number.csv"))->getContent())));
        foreach (['zenith [deg]', 'slope distance [m]', 'setup northing [m]'] as $column) {
            self::assertSame(array_column(array_slice($csv, 1), array_search($column, $csv[0], true)), array_column($data['trace'], $at[$column]), 'each mark has its own readings');
        }
        self::assertSame(404, $this->get("/api/v1/projects/{$this->project()->id}/report-issues/$number/file?format=html")->status(), 'of another project it is not given out');
    }

    public function test_marks_go_back_into_the_model_they_belong_to(): void
    {
        $ifc = new IfcText('IFC4', 'IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)');
        $column = $ifc->extrusion($ifc->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$ifc->flat()},400.,400.)"), 5000);
        $ifc->product('Column K1', [$column], $ifc->add("IFCLOCALPLACEMENT({$ifc->storeyPlace},{$ifc->axes([40_000, 30_000, 10_000])})"));
        $design = $this->take($this->project, $this->upload($this->project, $ifc->text(), 'column.ifc'), [
            'unit' => 'mm', 'layers' => ['Ground · Building element proxy'], 'heights' => 'used', 'placement' => ['a' => 1.0, 'b' => 0.0, 'dEasting' => 2000.0, 'dNorthing' => 1000.0],
        ]);
        $thing = $this->ask('GET', $this->at("/designs/$design/things/".$this->number($design, 'Column K1').'?easting=2040&northing=1030.2&elevation=11'))->assertOk()->json();
        $part = ['designId' => $design, 'guid' => $thing['guid'], 'number' => $thing['number'], 'topology' => $thing['topology'], 'face' => null];
        $aim = $this->ask('POST', $this->at('/aims'), ['key' => $this->newKey(), 'part' => $part])->assertOk()->json();
        $reading = $this->measure($this->project, 'as_built', new Position(1030.02, 2040.0, 12.0), $aim['name']);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'observationId' => $reading->id, 'kind' => 'as_built', 'aimId' => $aim['id'], 'aimVersion' => $aim['version'], 'withoutCheck' => true, 'evenOut' => true,
        ])->assertOk();
        [$mark] = json_decode($this->file('/report-file?format=geojson'), true)['features'];
        self::assertSame($thing['guid'], $mark['properties']['element']);
        $inModel = [$mark['geometry']['coordinates'][0] - 2000.0, $mark['geometry']['coordinates'][1] - 1000.0, $mark['geometry']['coordinates'][2]];

        $stream = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('no memory');
        fwrite($stream, $this->file("/report-file?format=ifc&model=$design"));
        $model = new IfcModel(StepFile::open($stream));
        $placed = [];
        foreach ($model->elements() as $e) {
            $placed[$e->name] = [$e->place->x, $e->place->y, $e->place->z];
        }
        self::assertEqualsWithDelta([40.0, 30.0, 10.0], $placed['Column K1'], 1e-9, 'it stands where it stood');
        self::assertEqualsWithDelta($inModel, $placed[$mark['properties']['name']], 1e-5, 'and the mark where it was found, in coordinates of the model');
        self::assertStringContainsString('"out"', (string) json_encode($model->properties->of($thing['number'])));

        $files = self::unzipped($this->file("/report-file?format=bcf&model=$design"));
        $view = implode('', array_filter($files, static fn (string $path): bool => str_ends_with($path, '.bcfv'), ARRAY_FILTER_USE_KEY));
        self::assertStringContainsString("IfcGuid=\"{$thing['guid']}\"", $view);
        self::assertSame(1, preg_match('~<EndPoint><X>([^<]+)</X><Y>([^<]+)</Y><Z>([^<]+)~', $view, $at));
        self::assertEqualsWithDelta($inModel, array_map(floatval(...), array_slice($at, 1)), 1e-5);
        $this->ask('GET', $this->at('/report-file?format=ifc&model=999'))->assertStatus(422)->assertSee('not in the project');
        $this->ask('GET', $this->at('/report-file?format=dxf&arrows=-3'))->assertStatus(422);
    }

    private function number(int $design, string $name): int
    {
        $packed = (string) file_get_contents($this->get('/api/v1'.$this->at("/designs/$design/bodies"))->baseResponse->getFile()->getPathname());

        return array_column(json_decode(substr($packed, 4, unpack('V', $packed)[1]), true)['things'], 0, 1)[$name];
    }

    public function test_the_field_work_goes_out_as_survey_data_and_its_points_come_back(): void
    {
        $this->staked('P1 "ü"', 0.0);
        $text = $this->file('/survey.xml');
        $xml = simplexml_load_string($text) ?: self::fail('no XML');
        self::assertCount(1, $xml->Survey->InstrumentSetup);
        $raw = $xml->Survey->ObservationGroup->RawObservation;
        self::assertCount(4, $raw, 'three sights of the setup, and the stake');
        self::assertSame((string) $xml->Survey->InstrumentSetup['id'], (string) $raw[3]['setupID']);
        self::assertSame('P1 "ü"', (string) $raw[3]->TargetPoint['name']);
        $upload = $this->upload($this->project, $text, 'survey.xml');
        $preview = $this->ask('POST', $this->at('/points-preview'), ['upload' => $upload])->assertOk()->json();
        self::assertSame(7, $preview['good'], 'control with the station, the design and what was found');
    }
}
