<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Units\LengthUnit;

/**
 * Reads a DXF of any version from R12, text or binary, in one pass: header, layer table, blocks, model space.
 *
 * The file is never held whole: entities of model space are packed as they come, only block definitions are kept.
 */
final class DxfReader
{
    /** $INSUNITS of the published DXF reference. */
    private const UNITS = [
        1 => LengthUnit::Inch, 2 => LengthUnit::Foot, 4 => LengthUnit::Millimetre, 5 => LengthUnit::Centimetre, 6 => LengthUnit::Metre,
        21 => LengthUnit::UsFoot,
    ];

    private const TELL_EVERY = 2000;

    private ?LengthUnit $unit = null;

    private string $version = '';

    /** Blocks have a few; more come as texts alone. */
    private const MOST_ATTRIBUTES = 200;

    private string $section = '';

    private ?Block $block = null;

    private ?Record $polyline = null;

    /** An insertion whose attributes still come. */
    private ?Record $insert = null;

    /** @var list<Record> */
    private array $attributes = [];

    /** @var array<string, string> of the insertion that is being placed, by tag */
    private array $texts = [];

    private DxfText $text;

    /** @var array<string, string> as written to as read */
    private array $layerNames = [];

    /** @var array<string, string> folded name to the spelling it is known by */
    private array $spellings = [];

    /** Layer of the insertion met last. */
    private string $insertLayer = '0';

    private readonly Placement $placement;

    private function __construct(
        private readonly Tags $tags,
        private readonly ReadOptions $options,
        private readonly ?Repairs $repairs,
    ) {
        $this->text = new DxfText;
        $this->placement = new Placement($options);
    }

    /**
     * @param  resource  $stream  seekable, at its beginning
     *
     * @throws UnreadableDrawing
     */
    public static function read($stream, ReadOptions $options = new ReadOptions): Drawing
    {
        $repairs = $options->mend ? new Repairs : null;

        return (new self(FileKind::open($stream, $repairs), $options, $repairs))->drawing();
    }

    private function drawing(): Drawing
    {
        $ended = false;
        $records = 0;
        while (! $ended && ($record = $this->tags->next()) !== null) {
            if (++$records % self::TELL_EVERY === 0 && $this->options->progress !== null) {
                ($this->options->progress)($this->tags->bytesRead());
            }
            $ended = $record->type === 'EOF';
            if ($this->repairs === null) {
                $this->take($record);
            } else {
                $this->orGiveUp($record, fn () => $this->take($record));
            }
        }
        $this->finishBegun();
        if (! $ended && $this->repairs === null) {
            throw UnreadableDrawing::truncated("{$this->tags->placeWord()} {$this->tags->place()}");
        }

        return $this->placement->drawing(
            $this->unit, $this->version === '' ? 'R12 or earlier' : $this->version, $this->repairs?->sentences() ?? [],
            $this->tags->placeWord(),
        );
    }

    /** @param  callable(): void  $take */
    private function orGiveUp(Record $record, callable $take): void
    {
        try {
            $take();
        } catch (UnreadableDrawing $e) {
            if ($this->repairs === null) {
                throw $e;
            }
            $this->repairs->note(
                $record->at(), rtrim(preg_replace('~ The file is damaged.*$~', '', lcfirst($e->getMessage())) ?? '', '.').': left out',
            );
        }
    }

    private function take(Record $r): void
    {
        if ($this->polyline !== null && $r->type === 'VERTEX') {
            // What joins corners to faces has no place of its own.
            $place = ($r->integer(70) & 0xC0) === 0x80 ? [$r->real(10), $r->real(20), $r->real(30)] : $r->place(10);
            $this->polyline->vertices[] = [
                ...$place, $r->real(42), $r->integer(70), [$r->integer(71), $r->integer(72), $r->integer(73), $r->integer(74)],
            ];

            return;
        }
        if ($this->insert !== null && $r->type === 'ATTRIB' && count($this->attributes) < self::MOST_ATTRIBUTES) {
            $this->attributes[] = $r;

            return;
        }
        $this->finishBegun();
        match ($r->type) {
            'SECTION' => $this->begin($r),
            'ENDSEC' => $this->section = '',
            'EOF', 'SEQEND' => null,
            'POLYLINE' => $this->polyline = $r,
            'INSERT' => $this->insert = $r,
            default => $this->bySection($r),
        };
    }

    /** What came in several records, a polyline or an insertion with attributes, is whole once another begins. */
    private function finishBegun(): void
    {
        if ($this->polyline !== null) {
            $polyline = $this->polyline;
            $this->polyline = null;
            $this->orGiveUp($polyline, fn () => $this->entity($polyline));
        }
        if ($this->insert !== null) {
            [$insert, $attributes] = [$this->insert, $this->attributes];
            [$this->insert, $this->attributes] = [null, []];
            $this->inserted($insert, $attributes);
        }
    }

    /**
     * An insertion, and then the texts of its attributes.
     *
     * @param  list<Record>  $attributes
     */
    private function inserted(Record $insert, array $attributes): void
    {
        $texts = [];
        foreach ($attributes as $a) {
            $texts[$this->text->plain($a->text(2))] = $this->text->plain($a->text(1));
        }
        $this->texts = $texts;
        foreach ([$insert, ...$attributes] as $r) {
            $this->orGiveUp($r, fn () => $this->bySection($r));
        }
    }

    private function begin(Record $r): void
    {
        $this->section = $r->text(2);
        $this->block = null;
        if ($this->section === 'HEADER') {
            $this->header($r);
        }
    }

    private function bySection(Record $r): void
    {
        if ($this->section === 'TABLES') {
            if ($r->type === 'LAYER' && $r->text(2) !== '') {
                $name = $this->text->plain($r->text(2));
                $this->placement->layerTable[$this->spelling($name)] = LayerEntry::of($r);
            }
        } elseif ($this->section === 'BLOCKS' && $r->type === 'BLOCK') {
            $this->block = Block::of($r, $this->text);
            $this->placement->blocks[DxfText::folded($this->block->name)] = $this->block;
        } elseif ($r->type === 'ENDBLK') {
            $this->block = null;
        } elseif ($this->section === 'BLOCKS' || $this->section === 'ENTITIES') {
            $this->entity($r);
        } elseif ($this->section === '' && $this->repairs !== null && isset(Pieces::READ[$r->type])) {
            $this->repairs->note($r->at(), "a {$r->type} outside every section was taken for one of model space");
            $this->entity($r);
        }
    }

    private function entity(Record $r): void
    {
        if ($this->section === 'BLOCKS' && $this->block === null) {
            return;
        }
        $drawn = $this->drawn($r);
        if ($drawn === null) {
            return;
        }
        if ($this->block !== null) {
            $this->block->entities[] = $drawn;
        } else {
            $this->placement->place($drawn);
        }
    }

    /** Null for what is not drawn in model space; why is noted. */
    private function drawn(Record $r): ?Drawn
    {
        if (isset($r->first[67]) && $r->integer(67) === 1) {
            return $this->placement->leaveOut('on paper space');
        }
        if (isset($r->first[60]) && $r->integer(60) === 1) {
            return $this->placement->leaveOut('made invisible in the drawing');
        }
        if ($r->type === 'MESH' && $r->integer(91) > 0) {
            return $this->placement->leaveOut('MESH that is smoothed: its corners do not lie on what is drawn');
        }
        $annotation = isset(Pieces::ANNOTATION[$r->type]);
        [$pieces, $insertion] = match (true) {
            $r->type === 'INSERT' => [[], Insertion::of($r, $this->text->plain($r->text(2)), $this->texts)],
            $r->type === 'DIMENSION' && $r->text(2) !== '' => [[], Insertion::picture($r, $this->text->plain($r->text(2)))],
            isset(Pieces::READ[$r->type]) => [Pieces::of($r, $this->text), null],
            default => [null, null],
        };
        if ($pieces === null) {
            return $this->placement->leaveOut(match ($r->type) {
                'RAY', 'XLINE' => "{$r->type}, a construction line without end",
                'ATTDEF' => 'ATTDEF, the pattern of a text that each insertion fills in',
                'VIEWPORT' => 'VIEWPORT, a window of a layout',
                'REGION', 'BODY', '3DSOLID', 'SURFACE' => "{$r->type}, a shape in another program’s own form: ask for it as polylines or faces",
                default => mb_substr(mb_scrub($r->type), 0, 40).' is not read',
            });
        }
        if ($pieces === [] && $insertion === null) {
            return $this->placement->leaveOut("{$r->type} without length");
        }
        $normal = isset(Pieces::IN_SPACE[$r->type]) || $r->type === 'DIMENSION' || ($r->type === 'POLYLINE' && Polylines::runsInSpace($r))
            ? null
            : $r->extrusion();

        return new Drawn(
            $this->layerOfDrawn($r), Colours::of($r), $r->place, $pieces,
            $normal === null ? null : Transform::fromPlane($normal), $insertion, $annotation,
        );
    }

    /** An attribute on layer 0 belongs to the insertion that it follows, as all in its block does. */
    private function layerOfDrawn(Record $r): string
    {
        $layer = $this->layerOf($r);
        if ($r->type === 'INSERT') {
            $this->insertLayer = $layer;
        }

        return $r->type === 'ATTRIB' && $layer === '0' ? $this->insertLayer : $layer;
    }

    /** A drawing has few layers and many entities: each spelling is decoded once. */
    private function layerOf(Record $r): string
    {
        $written = (string) ($r->first[8] ?? '0');

        return $this->layerNames[$written] ??= $this->spelling($this->text->plain(trim($written)));
    }

    /** Names differ by more than their case: one that was met before, in the table of layers first, is spelt as it was there. */
    private function spelling(string $name): string
    {
        return $this->spellings[DxfText::folded($name)] ??= $name;
    }

    private function header(Record $r): void
    {
        $variable = $codePage = '';
        foreach ($r->pairs() as $code => $value) {
            $value = trim((string) $value);
            if ($code === 9) {
                $variable = $value;
            } elseif ($variable === '$INSUNITS' && $code === 70) {
                $this->unit = self::UNITS[(int) $value] ?? null;
                if ($this->unit === null && (int) $value !== 0) {
                    $this->placement->remark(
                        "The file declares a unit that Parlay does not know (\$INSUNITS $value): choose it by the size of the work.",
                    );
                }
            } elseif ($variable === '$ACADVER') {
                $this->version = $value;
            } elseif ($variable === '$DWGCODEPAGE') {
                $codePage = $value;
            }
        }
        $this->text = DxfText::for($codePage, $this->version);
    }
}
