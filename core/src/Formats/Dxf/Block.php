<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** A block definition: entities about a base point, in drawing units. */
final class Block
{
    private const EXTERNAL = 4 | 8;

    /** @var list<Drawn> */
    public array $entities = [];

    /** Pieces that one insertion makes, blocks inside it included; null until counted. */
    public ?int $weight = null;

    /** @param  array{float, float, float}  $base */
    private function __construct(
        public readonly string $name,
        public readonly array $base,
        public readonly bool $external,
        public readonly string $path,
    ) {}

    /** A sign for a place, with nothing drawn in it. */
    public static function symbol(string $name): self
    {
        return new self($name, [0.0, 0.0, 0.0], false, '');
    }

    /** @throws UnreadableDrawing where its base point is missing */
    public static function of(Record $r, DxfText $text): self
    {
        return new self(
            $text->plain($r->text(2)), [$r->real(10), $r->real(20), $r->real(30)], ($r->integer(70) & self::EXTERNAL) !== 0,
            $text->plain($r->text(1)),
        );
    }
}
