<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Formats\Bcf\BcfWriter;
use Parlay\Core\Formats\Dxf\DxfMarksWriter;
use Parlay\Core\Formats\GeoJson\GeoJsonWriter;
use Parlay\Core\Formats\GlobalId;
use Parlay\Core\Formats\Ifc\IfcMarksWriter;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\LandXml\SurveyReading;
use Parlay\Core\Formats\LandXml\SurveySetup;
use Parlay\Core\Formats\LandXml\SurveyWriter;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\StepText;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\LengthStyle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Marks of a report as files for the office: each is read by a program that is not ours. */
final class MarksOutTest extends TestCase
{
    private const NAME = 'A "1" <Ü> \'Ω\' \\ 5 %';

    /** @return list<IssuedMark> */
    private static function marks(): array
    {
        $one = static fn (array $other): IssuedMark => new IssuedMark(...$other + [
            'subject' => 'stake 7', 'mark' => 11, 'first' => 11, 'code' => 'BOLT', 'kind' => 'stake', 'at' => '2026-12-02T08:00:00.000000Z', 'setup' => 2,
            'planUncertain' => 0.003, 'heightUncertain' => 0.002,
        ]);

        return [
            $one(['name' => self::NAME, 'found' => [5_000_010.003, 400_020.004, 3.002], 'design' => [5_000_010.0, 400_020.0, 3.0], 'plan' => 0.005, 'height' => 0.002, 'verdict' => 'in']),
            $one([
                'subject' => 'built 8', 'mark' => 12, 'name' => 'B', 'kind' => 'as_built', 'found' => [5_000_030.0, 400_019.98, null], 'design' => [5_000_030.0, 400_020.0, 4.0],
                'plan' => 0.02, 'height' => null, 'verdict' => 'out', 'element' => '0abcdefghijklmnopqrstu', 'model' => 3,
            ]),
            $one(['subject' => 'built 9', 'mark' => 13, 'name' => 'C', 'kind' => 'as_built', 'code' => '', 'found' => [5_000_000.0, 400_000.0, 1.0], 'design' => [], 'plan' => null, 'height' => null, 'verdict' => 'undecided']),
        ];
    }

    public function test_a_drawing_has_design_found_and_arrows_on_layers_of_their_own(): void
    {
        $file = self::kept(DxfMarksWriter::pieces(self::marks(), 100.0, LengthStyle::Metres));
        $found = Reference::python(<<<'PY'
            import ezdxf
            from ezdxf.lldxf.encoding import decode_dxf_unicode as plain
            doc = ezdxf.readfile(input)
            audit = doc.audit()
            m = doc.modelspace()
            print(json.dumps({
                'errors': [str(e.message) for e in audit.errors], 'layers': {l.dxf.name: l.dxf.color for l in doc.layers},
                'points': [[e.dxf.layer, *e.dxf.location] for e in m.query('POINT')],
                'lines': [[e.dxf.layer, *e.dxf.start, *e.dxf.end] for e in m.query('LINE')],
                'texts': [[e.dxf.layer, plain(e.plain_text()), *e.dxf.insert] for e in m.query('TEXT')]}))
            PY, $file);
        unlink($file);
        self::assertSame([], $found['errors']);
        self::assertSame([
            ['STAKED', 400_020.004, 5_000_010.003, 3.002], ['DESIGN', 400_020.0, 5_000_010.0, 3.0], ['AS-BUILT-NO-HEIGHT', 400_019.98, 5_000_030.0, 0.0], ['DESIGN', 400_020.0, 5_000_030.0, 4.0],
            ['AS-BUILT', 400_000.0, 5_000_000.0, 1.0],
        ], array_map(static fn (array $p): array => [$p[0], ...array_map(static fn ($v): float => round($v, 5), array_slice($p, 1))], $found['points']));
        // An arrow is a shaft from the design, and a head of two strokes at its tip.
        self::assertSame(['ARROWS-IN' => 3, 'ARROWS-OUT' => 3], array_count_values(array_column($found['lines'], 0)));
        foreach ([[0, [400_020.0, 5_000_010.0, 3.0], [400_020.4, 5_000_010.3, 3.0]], [3, [400_020.0, 5_000_030.0, 4.0], [400_018.0, 5_000_030.0, 4.0]]] as [$i, $from, $to]) {
            self::assertEqualsWithDelta([...$from, ...$to], array_slice($found['lines'][$i], 1), 1e-5);
            self::assertEqualsWithDelta($to, array_slice($found['lines'][$i + 1], 1, 3), 1e-5);
            [$hx, $hy] = [$found['lines'][$i + 1][4] - $to[0], $found['lines'][$i + 1][5] - $to[1]];
            self::assertEqualsWithDelta(0.2 * hypot($to[0] - $from[0], $to[1] - $from[1]), hypot($hx, $hy), 1e-4);
            self::assertLessThan(0.0, $hx * ($to[0] - $from[0]) + $hy * ($to[1] - $from[1]), 'its head looks back');
        }
        $texts = array_column($found['texts'], 1, 0);
        self::assertSame('3.0 mm north, 4.0 mm east, 2.0 mm high', $texts['FIGURES-IN']);
        self::assertStringContainsString('20.0 mm west', $texts['FIGURES-OUT']);
        self::assertStringContainsString('100 times', $texts['LEGEND']);
        self::assertSame(self::NAME, $texts['STAKED-NAMES']);
        self::assertNotSame($found['layers']['ARROWS-IN'], $found['layers']['ARROWS-OUT']);
    }

    /** @param  iterable<string>  $pieces */
    private static function kept(iterable $pieces, string $end = ''): string
    {
        $file = tempnam(sys_get_temp_dir(), 'out').$end;
        $out = fopen($file, 'wb') ?: throw new \RuntimeException('no file');
        foreach ($pieces as $piece) {
            fwrite($out, $piece);
        }

        return $file;
    }

    public function test_geojson_says_design_and_deviation_of_each(): void
    {
        $file = self::kept(GeoJsonWriter::marks(self::marks(), 'Yard "7"'), '.geojson');
        $found = Reference::python(<<<'PY'
            from osgeo import ogr
            ogr.UseExceptions()
            source = ogr.Open(input)
            layer = source.GetLayer(0)
            print(json.dumps([[json.loads(f.ExportToJson())['geometry']['coordinates'], json.loads(f.ExportToJson())['properties']] for f in layer]))
            PY, $file);
        unlink($file);
        self::assertSame([[400_020.004, 5_000_010.003, 3.002], [400_019.98, 5_000_030.0], [400_000.0, 5_000_000.0, 1.0]], array_column($found, 0));
        self::assertSame([self::NAME, 'BOLT', 'STAKE', 'in'], array_map(static fn (string $k): mixed => $found[0][1][$k], ['name', 'code', 'layer', 'verdict']));
        self::assertEqualsWithDelta([0.003, 0.004, 0.002, 0.005, 0.003, 0.002], array_map(static fn (string $k): mixed => $found[0][1][$k], [
            'to north', 'to east', 'too high', 'horizontal deviation', 'horizontal uncertainty 95 %', 'height uncertainty 95 %',
        ]), 1e-9);
        self::assertSame([5_000_030.0, null, '0abcdefghijklmnopqrstu'], [$found[1][1]['design northing'], $found[1][1]['too high'], $found[1][1]['element']]);
        self::assertNull($found[2][1]['horizontal deviation'], 'without a design there is no deviation, and not 0');
    }

    public function test_a_building_model_of_the_marks_has_each_where_it_was_found(): void
    {
        $file = self::kept(IfcMarksWriter::alone(self::marks(), 'Yard', 'N. O. Body', '2026-12-02T08:00:00Z', self::near()));
        $boxes = self::webIfc($file);
        self::assertEqualsWithDelta([[19.954, 9.953, 2.952], [20.054, 10.053, 3.052]], [$boxes[self::NAME]['low'], $boxes[self::NAME]['high']], 1e-4);
        self::assertEqualsWithDelta(0.05 ** 3 * 4 / 3, $boxes[self::NAME]['volume'], 1e-8, 'an octahedron that closes, seen from outside');
        self::assertEqualsWithDelta([-0.05, -0.05, 0.95], $boxes['C']['low'], 1e-4);
        // As Parlay takes models in: its things, and what each says of itself.
        $model = new IfcModel(StepFile::open(fopen($file, 'rb') ?: throw new \RuntimeException('gone')));
        self::assertSame([0, 1.0], [$model->file->faulty, $model->units->length]);
        $said = [];
        foreach ($model->elements() as $e) {
            $said[$e->name] = $model->properties->of($e->number);
        }
        unlink($file);
        self::assertSame([self::NAME, 'B', 'C'], array_keys($said));
        self::assertStringContainsString('0.003', (string) json_encode($said[self::NAME]));
    }

    /** @return array<string, array{low: list<float>, high: list<float>, volume: float}> */
    private static function webIfc(string $file): array
    {
        exec('node '.escapeshellarg(__DIR__.'/webifc.mjs').' '.escapeshellarg($file).' 2>&1', $said, $code);

        return $code === 0 ? json_decode((string) end($said), true, flags: JSON_THROW_ON_ERROR) : throw new \RuntimeException(implode("\n", $said));
    }

    /** @return array<string, array{string, string, string, float}> what a model of each schema is written in */
    public static function schemas(): array
    {
        return [
            'IFC4 in millimetres' => ['IFC4', 'IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)', '$', 0.001],
            'IFC2X3 in metres, with a history' => ['IFC2X3', 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)', '#', 1.0],
        ];
    }

    #[DataProvider('schemas')]
    public function test_a_model_keeps_all_it_has_and_gets_the_marks(string $schema, string $unit, string $history, float $metres): void
    {
        $f = new IfcText($schema, $unit);
        if ($history === '#') {
            $history = $f->add('IFCOWNERHISTORY($,$,$,.ADDED.,$,$,$,0)');
        }
        $f->product('Plate', [$f->extrusion($f->add('IFCRECTANGLEPROFILEDEF(.AREA.,$,'.$f->flat().','.IfcText::number(0.3 / $metres).','.IfcText::number(0.2 / $metres).')'), 0.02 / $metres)]);
        $before = $f->text();
        $file = self::kept([$before]);
        $stream = fopen($file, 'rb') ?: throw new \RuntimeException('gone');
        $step = StepFile::open($stream);
        $plate = $step->get($step->of('IFCBUILDINGELEMENTPROXY')[0]);
        $marks = [new IssuedMark(...['element' => $plate->text(0)] + get_object_vars(self::marks()[0]))];
        $with = self::kept(IfcMarksWriter::into($step, $stream, $marks, [(string) $plate->text(0) => $plate->number], 'Yard', self::near()));
        $text = (string) file_get_contents($with);
        $end = (int) strrpos($before, 'ENDSEC');
        self::assertSame([substr($before, 0, $end), substr($before, $end)], [substr($text, 0, $end), substr($text, -strlen(substr($before, $end)))], 'nothing that stood there is changed');
        $boxes = self::webIfc($with);
        self::assertEqualsWithDelta(0.3 * 0.2 * 0.02, $boxes['Plate']['volume'], 1e-9);
        self::assertEqualsWithDelta([19.954, 9.953, 2.952], $boxes[self::NAME]['low'], 1e-4);
        $model = new IfcModel(StepFile::open(fopen($with, 'rb') ?: throw new \RuntimeException('gone')));
        $said = (string) json_encode($model->properties->of($plate->number), JSON_UNESCAPED_UNICODE);
        self::assertStringContainsString('"in"', $said);
        self::assertSame(0, $model->file->faulty);
        $ids = [];
        foreach (array_keys($model->file->counts()) as $class) {
            foreach (preg_match('~^IFC(PROPERTYSET|REL|BUILDINGELEMENTPROXY)~', $class) === 1 ? $model->file->of($class) : [] as $number) {
                $one = $model->file->get($number);
                $ids[] = $one->text(0);
                self::assertMatchesRegularExpression('~^[0-3][0-9A-Za-z_$]{21}$~', (string) $one->text(0));
                $history === '$' || str_starts_with((string) $one->text(0), '0') || self::assertSame((int) substr($history, 1), $one->reference(1), "$class without its owner’s history");
            }
        }
        self::assertSame($ids, array_unique($ids));
        unlink($file);
        unlink($with);
    }

    private static function near(): Frame
    {
        return new Frame(1.0, 0.0, 0.0, -400_000.0, 0.0, 1.0, 0.0, -5_000_000.0, 0.0, 0.0, 1.0, 0.0);
    }

    public function test_to_a_file_that_has_no_end_nothing_is_added(): void
    {
        $file = self::kept([substr((new IfcText)->text(), 0, -strlen(IfcText::END))]);
        $stream = fopen($file, 'rb') ?: throw new \RuntimeException('gone');
        unlink($file);
        $this->expectException(UnreadableStep::class);
        $this->expectExceptionMessage('a file of their own');
        iterator_to_array(IfcMarksWriter::into(StepFile::open($stream), $stream, self::marks(), [], 'Yard', Frame::none()), false);
    }

    public function test_a_topic_looks_at_its_mark_and_selects_its_thing(): void
    {
        // A model that lies turned by a quarter on the site: its x runs north.
        $toModel = new Frame(0.0, 1.0, 0.0, -5_000_000.0, -1.0, 0.0, 0.0, 400_000.0, 0.0, 0.0, 1.0, 0.0);
        $files = iterator_to_array((new BcfWriter('Yard', '', 'Told by report 3', $toModel, LengthStyle::Metres))->files(self::marks()));
        self::assertSame(['bcf.version', 'project.bcfp', 'extensions.xml'], array_slice(array_keys($files), 0, 3));
        self::assertCount(3 + 6, $files);
        $parsed = Reference::python(<<<'PY'
            import xml.etree.ElementTree as E
            def tree(e): return [e.tag, e.attrib, (e.text or '').strip(), [tree(c) for c in e]]
            print(json.dumps({k: tree(E.fromstring(v)) for k, v in input.items()}))
            PY, $files);
        $topics = array_values(array_filter($parsed, static fn (array $t): bool => $t[0] === 'Markup'));
        $views = array_values(array_filter($parsed, static fn (array $t): bool => $t[0] === 'VisualizationInfo'));
        self::assertSame([self::NAME.': in tolerance', 'B: out of tolerance', 'C: not judged'], array_map(static fn (array $t): string => $t[3][0][3][0][2], $topics));
        self::assertSame(['Closed', 'Open', 'Open'], array_map(static fn (array $t): string => $t[3][0][1]['TopicStatus'], $topics));
        self::assertStringContainsString('20.0 mm west', $topics[1][3][0][3][3][2]);
        foreach ($topics as $i => $topic) {
            self::assertSame($views[$i][1]['Guid'], $topic[3][0][3][4][3][0][1]['Guid'], 'a topic has its own viewpoint');
            self::assertMatchesRegularExpression('~^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$~', $topic[3][0][1]['Guid']);
        }
        self::assertSame('0abcdefghijklmnopqrstu', $views[1][3][0][3][0][3][0][1]['IfcGuid']);
        [, $camera, $lines] = $views[0][3];
        $vector = static fn (array $of): array => array_map(static fn (array $c): float => (float) $c[2], $of[3]);
        [$eye, $way, $up] = array_map($vector, array_slice($camera[3], 0, 3));
        $found = [10.003, -20.004, 3.002];
        $far = sqrt(2.5 ** 2 + 1.5 ** 2 + 2.0 ** 2);
        self::assertEqualsWithDelta($found, array_map(static fn (float $a, float $b): float => $a + $far * $b, $eye, $way), 1e-4, 'it looks at the mark');
        self::assertEqualsWithDelta([1.0, 1.0, 0.0], [Space::length($way), Space::length($up), $way[0] * $up[0] + $way[1] * $up[1] + $way[2] * $up[2]], 1e-5);
        self::assertGreaterThan(0.0, $up[2]);
        self::assertEqualsWithDelta([[10.0, -20.0, 3.0], $found], array_map($vector, $lines[3][0][3]), 1e-5, 'a line leads from the design');
    }

    public function test_ids_are_the_same_for_the_same_and_in_the_letters_of_the_standard(): void
    {
        self::assertSame(GlobalId::uuid('a'), GlobalId::uuid('a'));
        self::assertNotSame(GlobalId::ifc('a'), GlobalId::ifc('b'));
        // The compressed form is the number of the uuid in base 64: counted by another program.
        $ids = array_map(static fn (int $i): array => [GlobalId::uuid("of $i"), GlobalId::ifc("of $i")], range(1, 50));
        self::assertSame([], Reference::python(<<<'PY'
            import uuid
            letters = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$'
            def short(u):
                n, s = uuid.UUID(u).int, ''
                for _ in range(22): n, s = n // 64, letters[n % 64] + s
                return s
            print(json.dumps([i for i in input if short(i[0]) != i[1] or uuid.UUID(i[0]).variant != uuid.RFC_4122]))
            PY, $ids));
    }

    public function test_texts_of_a_model_are_read_as_they_were_written(): void
    {
        foreach (['', "it's", 'a\\b', 'Ünïcode Ω 漢字 🙂', "two\nlines", self::NAME] as $text) {
            $written = StepText::write($text);
            self::assertMatchesRegularExpression('~^[\x20-\x7E]*$~', $written);
            self::assertSame(str_replace("\n", ' ', $text), StepText::of($written));
        }
    }

    public function test_survey_data_leads_another_program_to_the_places_that_were_found(): void
    {
        $station = new Station(new Position(5_000_000.0, 400_000.0, 12.0), 5.9, 1.55);
        $air = new Atmosphere(1013.25, 12.0);
        $readings = [];
        foreach ([[0.7, 1.55, 40.0], [6.2, 1.6, 120.0], [3.1, 1.4, 8.0]] as $i => [$circle, $zenith, $slope]) {
            $raw = new RawReading($circle, $zenith, $slope);
            $sight = Sight::reduce($raw, $air->given(0.0), new Target(1.3, 0.0));
            $readings[] = new SurveyReading(
                id: (string) $i, name: "R<$i>", time: '2026-12-02T08:00:00Z', purpose: 'stake', setup: 'setup-1', raw: $raw, sight: $sight, collimation: 0.0, index: 0.0, pressure: 1013.25,
                temperature: 12.0, found: $station->locate($sight),
            );
        }
        $setup = new SurveySetup('setup-1', 'S "1"', '2026-12-02T08:00:00Z', 'TS & Co', '4711', 'resection', $station);
        $text = implode('', iterator_to_array(LandXmlWriter::pieces([], 'Yard', '2026-12-02', '08:00:00', survey: SurveyWriter::pieces('Yard', '', [$setup], $readings)), false));
        $found = Reference::python(<<<'PY'
            import xml.etree.ElementTree as E, math
            n = {'l': 'http://www.landxml.org/schema/LandXML-1.2'}
            survey = E.fromstring(input).find('l:Survey', n)
            at = {}
            for s in survey.findall('l:InstrumentSetup', n):
                p = [float(v) for v in s.find('l:InstrumentPoint', n).text.split()]
                at[s.get('id')] = (p, float(s.get('instrumentHeight')), float(s.get('orientationAzimuth')) - float(s.get('circleAzimuth')), s.get('stationName'))
            out = []
            for o in survey.find('l:ObservationGroup', n).findall('l:RawObservation', n):
                (N, Ea, H), i, turn, name = at[o.get('setupID')]
                z, s, a = math.radians(float(o.get('zenithAngle'))), float(o.get('slopeDistance')), math.radians(turn + float(o.get('horizAngle')))
                r, R = 0.13, 6371000.0
                d = s * math.sin(z) - (1 - r / 2) * s * s * math.sin(2 * z) / (2 * R)
                h = s * math.cos(z) + (1 - r) * (s * math.sin(z)) ** 2 / (2 * R)
                t = o.find('l:TargetPoint', n)
                out.append([t.get('name'), name, [N + d * math.cos(a), Ea + d * math.sin(a), H + i + h - float(o.get('targetHeight'))], [float(v) for v in t.text.split()]])
            print(json.dumps(out))
            PY, $text);
        self::assertSame(['R<0>', 'R<1>', 'R<2>'], array_column($found, 0));
        self::assertSame('S "1"', $found[0][1]);
        foreach ($found as [, , $worked, $told]) {
            self::assertEqualsWithDelta($worked, $told, 1e-4);
        }
    }
}
