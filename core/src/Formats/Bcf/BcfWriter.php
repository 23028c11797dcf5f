<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Bcf;

use Parlay\Core\Formats\GlobalId;
use Parlay\Core\Formats\Xml;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\Side;

/**
 * Writes marks as topics of BCF 3.0 (the open format for issues of building models): one for each, with what is wrong, from where to look at it, a line from the design
 * to what was found, and the thing of the model it belongs to. Places are metres of the model's own coordinates.
 */
final readonly class BcfWriter
{
    /** The eye stands so far from the mark to the south, to the west and above, metres. */
    private const AWAY = [2.5, 1.5, 2.0];

    private const HEAD = '<?xml version="1.0" encoding="UTF-8"?>'."\n";

    private const STATES = ['out' => 'Out of tolerance', 'close' => 'Too close to call', 'in' => 'In tolerance', 'undecided' => 'Not judged'];

    /**
     * @param  string  $project  its name, which its topics keep theirs by
     * @param  string  $author  who stands for it
     * @param  string  $report  by which it is said
     * @param  Frame  $toModel  from easting, northing and elevation of the site to the model, metres
     */
    public function __construct(private string $project, private string $author, private string $report, private Frame $toModel, private LengthStyle $style) {}

    /**
     * @param  list<IssuedMark>  $marks
     * @return \Generator<string, string> contents by the path in the archive
     */
    public function files(array $marks): \Generator
    {
        yield 'bcf.version' => self::HEAD.'<Version VersionId="3.0"/>'."\n";
        yield 'project.bcfp' => self::HEAD.'<ProjectInfo><Project ProjectId="'.GlobalId::uuid("project {$this->project}").'"><Name>'.Xml::escape($this->project)."</Name></Project></ProjectInfo>\n";
        yield 'extensions.xml' => $this->extensions();
        foreach ($marks as $m) {
            // The same point is the same topic in the next report.
            $topic = GlobalId::uuid("topic {$this->project} {$m->subject}");
            yield "$topic/markup.bcf" => $this->markup($m, $topic);
            yield "$topic/viewpoint.bcfv" => $this->viewpoint($m);
        }
    }

    private function extensions(): string
    {
        $states = implode('', array_map(static fn (string $s): string => "<TopicType>$s</TopicType>", self::STATES));

        return self::HEAD."<Extensions><TopicTypes>$states</TopicTypes><TopicStatuses><TopicStatus>Open</TopicStatus><TopicStatus>Closed</TopicStatus></TopicStatuses>"
            .'<Priorities/><TopicLabels/><Users><User>'.Xml::escape($this->author())."</User></Users><SnippetTypes/><Stages/></Extensions>\n";
    }

    private function markup(IssuedMark $m, string $topic): string
    {
        $state = self::STATES[$m->verdict] ?? self::STATES['undecided'];
        // What holds is closed; whoever opens the file again sees what is left.
        $open = $m->verdict === 'in' ? 'Closed' : 'Open';

        return self::HEAD."<Markup><Topic Guid=\"$topic\" TopicType=\"$state\" TopicStatus=\"$open\"><Title>".Xml::escape($m->name.': '.lcfirst($state)).'</Title>'
            ."<CreationDate>{$m->at}</CreationDate><CreationAuthor>".Xml::escape($this->author()).'</CreationAuthor><Description>'.Xml::escape($this->description($m)).'</Description>'
            .'<Viewpoints><ViewPoint Guid="'.self::viewpointOf($m).'"><Viewpoint>viewpoint.bcfv</Viewpoint></ViewPoint></Viewpoints></Topic></Markup>'."\n";
    }

    private function description(IssuedMark $m): string
    {
        $d = $m->deviation();
        $lines = [
            ($m->kind === 'stake' ? 'Staked' : 'Measured as built')." from setup {$m->setup}".($m->code === '' ? '' : ", code {$m->code}").'.',
            $d === null ? 'It has no design.' : 'It lies '.implode(', ', array_filter([
                Side::Northing->length($d->northing, $this->style), Side::Easting->length($d->easting, $this->style),
                $d->height === null ? '' : Side::Height->length($d->height, $this->style),
            ])).' of its design, '.$this->style->formatDeviation($d->plan).' in plan'.($m->planUncertain === null ? '' : ' ± '.$this->style->formatDeviation($m->planUncertain).' (95 %)').'.',
            'Found at northing '.$this->style->format((float) $m->found[0]).', easting '.$this->style->format((float) $m->found[1])
                .(($m->found[2] ?? null) === null ? '' : ', elevation '.$this->style->format($m->found[2])).' of the site.',
            $this->report.'.',
        ];

        return implode("\n", $lines);
    }

    private function viewpoint(IssuedMark $m): string
    {
        $found = $m->inSpace();
        $at = $this->place($found);
        [$south, $west, $above] = self::AWAY;
        $eye = $this->place(new Position($found->northing - $south, $found->easting - $west, ($found->elevation ?? 0.0) + $above));
        $way = Space::unit(Space::way($eye, $at)) ?? [0.0, 0.0, -1.0];
        // Upright in the picture is what is upright on the site.
        $aside = Space::unit([$way[1], -$way[0], 0.0]) ?? [1.0, 0.0, 0.0];
        $up = Space::cross($aside, $way);

        return self::HEAD.'<VisualizationInfo Guid="'.self::viewpointOf($m).'"><Components>'
            .($m->element === '' ? '' : '<Selection><Component IfcGuid="'.Xml::escape($m->element).'"/></Selection>').'<Visibility DefaultVisibility="true"/></Components>'
            .'<PerspectiveCamera>'.self::vector('CameraViewPoint', $eye).self::vector('CameraDirection', $way).self::vector('CameraUpVector', $up)
            .'<FieldOfView>60</FieldOfView><AspectRatio>1.5</AspectRatio></PerspectiveCamera>'.$this->lines($m, $at)."</VisualizationInfo>\n";
    }

    /** @param  array{float, float, float}  $found */
    private function lines(IssuedMark $m, array $found): string
    {
        $design = $m->designAt();
        if ($design === null) {
            return '';
        }
        $from = $this->place($design->elevation === null ? $design->at($m->inSpace()->elevation) : $design);

        return $from === $found ? '' : '<Lines><Line>'.self::vector('StartPoint', $from).self::vector('EndPoint', $found).'</Line></Lines>';
    }

    /** @return array{float, float, float} */
    private function place(Position $p): array
    {
        [$x, $y, $z] = $this->toModel->point($p->easting, $p->northing, $p->elevation ?? 0.0);

        return [$x, $y, $z];
    }

    private static function viewpointOf(IssuedMark $m): string
    {
        return GlobalId::uuid("viewpoint {$m->subject} {$m->mark}");
    }

    private function author(): string
    {
        return $this->author === '' ? 'Parlay' : $this->author;
    }

    /** @param  array{float, float, float}  $v */
    private static function vector(string $element, array $v): string
    {
        return sprintf('<%1$s><X>%2$.6F</X><Y>%3$.6F</Y><Z>%4$.6F</Z></%1$s>', $element, ...$v);
    }
}
