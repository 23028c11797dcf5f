<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\Corner;
use Parlay\Core\Civil\Alignments\CornersRounded;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\StationEquation;
use Parlay\Core\Civil\Alignments\Stationing;
use Parlay\Core\Civil\Alignments\TransitionLaw;
use Parlay\Core\Civil\Models\CivilModel;
use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\Vertex;
use Parlay\Core\Civil\Roads\CrossSection;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Civil\Roads\SectionPoint;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Formats\LandXml\AlignmentWriter;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\LandXml\ModelOptions;
use Parlay\Core\Formats\LandXml\ModelReader;
use Parlay\Core\Formats\LandXml\SurfaceWriter;
use Parlay\Core\Formats\LandXml\UnreadableModel;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LandXmlModelTest extends TestCase
{
    /** @var list<SurfaceRead> */
    private array $surfaces = [];

    private function read(string $xml, ModelOptions $options = new ModelOptions): CivilModel
    {
        $path = tempnam(sys_get_temp_dir(), 'model');
        file_put_contents($path, $xml);
        $this->surfaces = [];
        try {
            return ModelReader::read(fopen($path, 'rb'), $options, function (SurfaceRead $s): void {
                $this->surfaces[] = $s;
            });
        } finally {
            unlink($path);
        }
    }

    private static function file(string $body, string $unit = '<Metric linearUnit="meter" angularUnit="decimal degrees"/>'): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?>'."\n<LandXML xmlns=\"http://www.landxml.org/schema/LandXML-1.2\" version=\"1.2\">\n<Units>$unit</Units>\n$body\n</LandXML>";
    }

    private static function road(string $geometry, string $more = ''): string
    {
        return self::file("<Alignments><Alignment name=\"Road\" staStart=\"0\">\n<CoordGeom>$geometry</CoordGeom>$more</Alignment></Alignments>");
    }

    private static function tin(string $points, string $faces): string
    {
        return self::file("<Surfaces><Surface name=\"ground\"><Definition surfType=\"TIN\"><Pnts>$points</Pnts>\n<Faces>$faces</Faces></Definition></Surface></Surfaces>");
    }

    /** Written and read again, nothing has changed: geometry, equations, profile, sections, triangles, names with quotes and umlauts. */
    public function test_what_is_written_is_read_again(): void
    {
        $road = new Alignment([
            ...CornersRounded::elements([new Corner(5_000_000, 400_000), new Corner(5_000_100, 400_200, 80, 30, 40), new Corner(5_000_300, 400_220)]),
        ], new Stationing(500.0, [new StationEquation(100.0, 600.0, 1000.0)]));
        $bloss = new Alignment([Element::spiral(new Position(0, 0), 1.0, 60.0, 0.0, -1 / 200, TransitionLaw::Bloss)]);
        $profile = new Profile([new Vertex(0, 10), Vertex::parabola(80, 12, 40), Vertex::unequalParabola(160, 9, 20, 30), Vertex::circle(240, 12, 900), new Vertex(300, 10)], 'Höhe "A"');
        $sections = new CrossSections([new CrossSection(0, [new SectionPoint(-3, 9.9, 'L'), new SectionPoint(0, 10, 'C')]), new CrossSection(150, [new SectionPoint(-4, 9.8, 'L'), new SectionPoint(0, 10, 'C')])], 'top');
        $surface = SurfaceMaking::of([new Position(0, 0, 1), new Position(10, 0, 2.5), new Position(10, 10, 3), new Position(0, 10, 1)])->surface;
        $xml = implode('', iterator_to_array(LandXmlWriter::pieces([], 'Site', '2026-11-02', '08:00:00', [
            AlignmentWriter::pieces('Straße "1" & 2', 'über', $road, [$profile], [$sections]), AlignmentWriter::pieces('Bloss', '', $bloss, [], []),
        ], [SurfaceWriter::pieces('Ä', '', $surface)]), false));

        $model = $this->read($xml);
        [$again, $second] = $model->alignments;
        self::assertSame(['Straße "1" & 2', 'über', []], [$again->name, $again->description, $again->remarks]);
        self::assertSame([], $second->remarks);
        foreach ([0.0, 50.0, 130.0, 200.0, $road->length] as $along) {
            self::assertEqualsWithDelta(0.0, $again->alignment->at($along, 2.0)->distanceTo($road->at($along, 2.0)), 2e-5);
            self::assertEqualsWithDelta($profile->elevationAt($along), $again->profiles[0]->elevationAt($along), 1e-5);
        }
        self::assertEqualsWithDelta(0.0, $second->alignment->at(60.0)->distanceTo($bloss->at(60.0)), 2e-5);
        self::assertEquals($road->stationing->equations, $again->alignment->stationing->equations);
        self::assertSame('Höhe "A"', $again->profiles[0]->name);
        self::assertEqualsWithDelta(9.85, $again->sections[0]->heightAt(75, -3.5, null)?->elevation, 1e-5);
        self::assertEqualsWithDelta(100.0, $this->surfaces[0]->surface->planArea(), 1e-6);
    }

    /** One arc said in every way the format allows: centre, radius with rotation, tangents. */
    #[DataProvider('arcs')]
    public function test_every_way_to_say_an_arc(string $arc): void
    {
        $model = $this->read(self::road($arc));
        $element = $model->alignments[0]->alignment->elements[0];
        self::assertEqualsWithDelta([50 * M_PI_2, 1 / 50, 0.0], [$element->length, $element->from, $element->azimuth], 1e-9);
        self::assertEqualsWithDelta(0.0, $element->end()->distanceTo(new Position(50, 50)), 1e-9);
    }

    public static function arcs(): array
    {
        return [
            'centre' => ['<Curve rot="cw"><Start>0 0</Start><Center>0 50</Center><End>50 50</End></Curve>'],
            'radius' => ['<Curve rot="cw" radius="50"><Start>0 0</Start><End>50 50</End></Curve>'],
            'tangents' => ['<Curve rot="cw"><Start>0 0</Start><PI>50 0</PI><End>50 50</End></Curve>'],
            'a radius and a small angle' => ['<Curve rot="cw" radius="50" delta="90"><Start>0 0</Start><End>50 50</End></Curve>'],
        ];
    }

    public function test_the_longer_way_round_is_told_by_its_length(): void
    {
        $arc = $this->read(self::road('<Curve rot="ccw" radius="50" length="235.619449"><Start>0 0</Start><End>50 50</End></Curve>'))->alignments[0]->alignment->elements[0];
        self::assertEqualsWithDelta([50 * 1.5 * M_PI, -1 / 50], [$arc->length, $arc->from], 1e-6);
    }

    /** What is wrong is said with its line, and the rest is read. */
    #[DataProvider('faulty')]
    public function test_faults_are_said_with_their_place(string $geometry, string $says): void
    {
        $line = '<Line><Start>0 0</Start><End>0 10</End></Line>';
        $model = $this->read(self::road("$line\n$geometry"));
        self::assertCount(1, $model->alignments);
        self::assertMatchesRegularExpression("~$says~u", implode(' | ', $model->alignments[0]->remarks));
    }

    public static function faulty(): array
    {
        return [
            'radius 0' => ['<Curve rot="cw" radius="0"><Start>0 10</Start><End>5 15</End></Curve>', 'Line 6: the arc was left out.*radius is not above 0'],
            'too small a radius' => ['<Curve rot="cw" radius="2"><Start>0 10</Start><End>5 15</End></Curve>', 'further apart than its radius'],
            'NaN' => ['<Line><Start>NaN 1</Start><End>0 30</End></Line>', 'Line 6: the line was left out'],
            '1e300' => ['<Line><Start>1e300 1</Start><End>0 30</End></Line>', 'Line 6: the line was left out'],
            'a gap' => ['<Line><Start>0 10.5</Start><End>0 30</End></Line>', 'gap of 500\.0 mm at 10\.000 m'],
            'a kink' => ['<Line><Start>0 10</Start><End>10 20</End></Line>', 'kink of -45\.0000°'],
            'rotation against its points' => ['<Spiral length="20" radiusStart="INF" radiusEnd="50" rot="ccw" spiType="clothoid"><Start>0 10</Start><PI>0 23.35</PI><End>-1.3297 29.9202</End></Spiral>', 'rotation contradicts'],
            'an unknown spiral' => ['<Spiral length="20" radiusStart="INF" radiusEnd="50" rot="cw" spiType="radioid"><Start>0 10</Start><PI>0 23</PI><End>-1 30</End></Spiral>', 'radioid.*not computed'],
            'ends that do not fit the centre' => ['<Curve rot="cw"><Start>0 10</Start><Center>-50 10</Center><End>-50.3 60.5</End></Curve>', 'not as far from its centre'],
        ];
    }

    public function test_an_alignment_of_faults_alone_is_left_out_and_named(): void
    {
        $model = $this->read(self::road('<Curve rot="cw" radius="0"><Start>0 10</Start><End>5 15</End></Curve>'));
        self::assertSame([], $model->alignments);
        self::assertStringContainsString('Nothing of it can be computed.', implode(' ', $model->remarks));
    }

    public function test_a_profile_that_can_not_be_is_left_out_and_one_outside_is_said(): void
    {
        $line = '<Line><Start>0 0</Start><End>0 100</End></Line>';
        $profile = '<Profile><ProfAlign name="back"><PVI>0 1</PVI><PVI>80 1</PVI><PVI>40 1</PVI></ProfAlign><ProfAlign name="long"><PVI>0 1</PVI><PVI>150 2</PVI></ProfAlign></Profile>';
        $a = $this->read(self::road($line, $profile))->alignments[0];
        self::assertCount(1, $a->profiles);
        self::assertMatchesRegularExpression('~“back” was left out.*Station 3.*“long” reaches 50\.000 m beyond~', implode(' ', $a->remarks));
    }

    public function test_faces_that_can_not_be_are_left_out_and_said(): void
    {
        $points = "<P id=\"1\">0 0 1</P>\n<P id=\"2\">10 0 1</P>\n<P id=\"3\">10 10 1</P>\n<P id=\"4\">0 10 nan</P>\n<P id=\"3\">0 0 9</P>\n<P id=\"5\">20 0 1</P>";
        $this->read(self::tin($points, "<F>1 2 3</F>\n<F>1 3 4</F>\n<F>1 2 77</F>\n<F>1 2 5</F>\n<F i=\"1\">2 5 3</F>"));
        [$s] = $this->surfaces;
        self::assertSame(1, $s->surface->count());
        self::assertMatchesRegularExpression('~Line 7: “nan”.*Line 8: point 3 stands twice.*needs point 4.*needs point 77.*1 faces without area.*1 faces are marked invisible~', implode(' ', $s->remarks));
    }

    /** Written as nobody writes them, they are read all the same. */
    public function test_faces_in_other_hands(): void
    {
        $usual = self::tin('<P id="1">0 0 1</P><P id="2">10 0 2</P><P id="3">10 10 3</P>', '<F>1 2 3</F>');
        $odd = self::tin("<P\n id='1' >\n0 0 1\n</P><!-- note --><P code=\"x\" id=\"2\">10 0 2</P><P id=\"3\">1.0E1 10 3</P>", "<!-- f --><F n=\"0 0 0\"> 1\n2 3 </F>");
        $prefixed = str_replace(['<P id', '</P>', '<F>', '</F>', '<LandXML xmlns=', '</LandXML>'], ['<l:P id', '</l:P>', '<l:F>', '</l:F>', '<LandXML xmlns:l="x" xmlns=', '</LandXML>'], $usual);
        foreach ([$usual, $odd, $prefixed, mb_convert_encoding(str_replace('UTF-8', 'UTF-16', $usual), 'UTF-16LE', 'UTF-8'), "\xEF\xBB\xBF$usual"] as $i => $xml) {
            $this->read($i === 3 ? "\xFF\xFE$xml" : $xml);
            self::assertEqualsWithDelta(50.0, $this->surfaces[0]->surface->planArea(), 1e-9, "file $i");
            self::assertEqualsWithDelta(1.5, (new SurfaceIndex($this->surfaces[0]->surface))->at(5, 0)?->elevation, 1e-9);
        }
    }

    public function test_units_and_coordinates_that_are_exchanged(): void
    {
        $xml = fn (string $unit): string => str_replace('linearUnit="meter"', "linearUnit=\"$unit\"", self::tin('<P id="1">1000000 0 1</P><P id="2">1000010 0 2</P><P id="3">1000010 10 3</P>', '<F>1 2 3</F>'));
        foreach (['foot' => 0.3048, 'USSurveyFoot' => 1200 / 3937, 'millimeter' => 0.001] as $unit => $metres) {
            $model = $this->read($xml($unit));
            self::assertSame($metres, $model->unit?->metres());
            self::assertEqualsWithDelta(1e6 * $metres, $this->surfaces[0]->surface->northings[0], 1e-9);
        }
        // At a million feet the two feet lie 0.61 m apart.
        self::assertEqualsWithDelta(0.6096, 1e6 * (LengthUnit::UsFoot->metres() - LengthUnit::Foot->metres()), 1e-4);
        $this->read($xml('meter'), new ModelOptions(exchanged: true));
        self::assertEqualsWithDelta([0.0, 1e6], [$this->surfaces[0]->surface->northings[0], $this->surfaces[0]->surface->eastings[0]], 1e-9);
    }

    public function test_points_of_intersection_station_lists_and_source_data(): void
    {
        $model = $this->read(self::file(<<<'XML'
            <CgPoints><CgPoint name="A">0 0</CgPoint><CgPoint name="B">0 50 3</CgPoint></CgPoints>
            <Alignments><Alignment name="PIs"><AlignPIs><AlignPI><PI>0 0</PI></AlignPI><AlignPI><PI>200 0</PI><Curve1><Curve radius="50"/></Curve1></AlignPI><AlignPI><PI>200 200</PI></AlignPI></AlignPIs></Alignment></Alignments>
            <PlanFeatures><PlanFeature name="kerb" code="K"><CoordGeom><Line><Start pntRef="A"/><End pntRef="B"/></Line></CoordGeom></PlanFeature></PlanFeatures>
            <Surfaces><Surface name="made"><SourceData><DataPoints><PntList3D>0 0 1 10 0 1 10 10 2 0 10 2</PntList3D></DataPoints>
            <Breaklines><Breakline><PntList3D>0 5 1.5 10 5 1.5</PntList3D></Breakline></Breaklines></SourceData></Surface></Surfaces>
            <Survey><InstrumentSetup/><RawObservation/><RawObservation/></Survey>
            XML));
        self::assertSame([2, 2, 1], [$model->points, $model->counts['RawObservation'], $model->counts['InstrumentSetup']]);
        self::assertEqualsWithDelta(150 + 50 * M_PI_2 + 150, $model->alignments[0]->alignment->length, 1e-9);
        self::assertEqualsWithDelta(50.0, $model->features[0]->legs[0]->length(), 1e-9);
        self::assertEqualsWithDelta(100.0, $this->surfaces[0]->surface->planArea(), 1e-9);
        self::assertStringContainsString('made here', implode(' ', $this->surfaces[0]->remarks));
        self::assertSame('breaklines', $this->surfaces[0]->lines[0]->name);
    }

    #[DataProvider('hostile')]
    public function test_what_is_made_to_do_harm_is_refused(string $xml, string $says): void
    {
        $this->expectException(UnreadableModel::class);
        $this->expectExceptionMessageMatches("~$says~");
        $this->read($xml);
    }

    public static function hostile(): array
    {
        $whole = self::road('<Line><Start>0 0</Start><End>0 10</End></Line>');

        return [
            'an external entity' => ["<?xml version=\"1.0\"?>\n<!DOCTYPE x [<!ENTITY y SYSTEM \"file:///etc/passwd\">]>\n<LandXML>&y;</LandXML>", 'Line 2.*DOCTYPE.*Nothing was read'],
            'expansion' => ['<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><LandXML>&b;</LandXML>', 'DOCTYPE'],
            'cut off' => [substr($whole, 0, -40), 'Line \d+: the file is no whole XML.*cut off'],
            'empty' => ['', 'empty'], 'other XML' => ['<?xml version="1.0"?><kml/>', 'no LandXML: it begins with <kml>'],
            'no XML' => ['PK something else', 'Line 1'],
            'deep' => ['<LandXML>'.str_repeat('<a>', 200).str_repeat('</a>', 200).'</LandXML>', 'deeper'],
            'an encoding nobody reads' => ['<?xml version="1.0" encoding="UTF-7"?><LandXML/>', 'UTF-7'],
            'a face without end' => [str_replace('<F>', '<F>'.str_repeat('1 ', 2000), self::tin('<P id="1">0 0 1</P>', '<F>1 1 1</F>')), 'a text without end|Line'],
        ];
    }

    /** Two thousand files damaged at random: each is read, or refused with a line; none crashes or hangs. */
    public function test_damaged_files_are_read_or_refused(): void
    {
        $whole = (string) file_get_contents(__DIR__.'/../../../database/demo/files/saltmarsh-yard-civil.xml');
        // A part of each kind is enough, so that two thousand are quick.
        $whole = preg_replace('~(<P id="\d+">[^<]*</P>\s*){40,}~', "<P id=\"1\">0 0 1</P>\n<P id=\"2\">9 0 1</P>\n<P id=\"3\">9 9 1</P>\n", $whole) ?? '';
        $whole = preg_replace('~(<F>[^<]*</F>\s*){40,}~', "<F>1 2 3</F>\n", $whole) ?? '';
        mt_srand(2000);
        $outcomes = ['read' => 0, 'refused' => 0];
        for ($i = 0; $i < 2000; $i++) {
            $xml = $whole;
            for ($k = mt_rand(1, 4); $k > 0; $k--) {
                $at = mt_rand(0, strlen($xml) - 1);
                $xml = match (mt_rand(0, 14)) {
                    0 => substr($xml, 0, $at),
                    1 => substr_replace($xml, chr(mt_rand(0, 255)), $at, 1),
                    2 => substr_replace($xml, '', $at, mt_rand(1, 200)),
                    3 => substr_replace($xml, substr($xml, mt_rand(0, strlen($xml) - 1), mt_rand(1, 300)), $at, 0),
                    4 => substr_replace($xml, ['NaN', '1e300', '-', '<', '&', '"', '999999999999', "\0"][mt_rand(0, 7)], $at, mt_rand(0, 6)),
                    5 => strrev(substr($xml, 0, $at)).substr($xml, $at),
                    // Most often a figure alone is damaged, and the file is whole XML all the same.
                    default => preg_match('~(?<=[ ">])-?\d+(\.\d+)?(?=[ "<])~', $xml, $m, PREG_OFFSET_CAPTURE, $at) === 1
                        ? substr_replace($xml, ['NaN', '1e300', '-1', '0', 'INF', '', '3 4', '99999'][mt_rand(0, 7)], $m[0][1], strlen($m[0][0])) : $xml,
                };
                $xml = $xml === '' ? ' ' : $xml;
            }
            try {
                $this->read($xml);
                $outcomes['read']++;
            } catch (UnreadableModel $e) {
                self::assertMatchesRegularExpression('~Line \d+|empty|no LandXML|encoding|written in|without end~', $e->getMessage());
                $outcomes['refused']++;
            }
        }
        self::assertGreaterThan(100, $outcomes['read']);
        self::assertGreaterThan(100, $outcomes['refused']);
    }
}
