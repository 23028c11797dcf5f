<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** A layer as the file's table describes it. */
final readonly class LayerEntry
{
    private const FROZEN = 1;

    private const LOCKED = 4;

    /** @param  int  $colour  24 bits */
    public function __construct(
        public int $colour = 0x000000,
        public bool $off = false,
        public bool $frozen = false,
        public bool $locked = false,
    ) {}

    /** From its entry in the layer table. */
    public static function of(Record $r): self
    {
        $flags = $r->integer(70);
        $index = $r->integer(62, 7);

        return new self(
            $r->has(420) ? $r->integer(420) & 0xFFFFFF : Colours::rgb($index), $index < 0, ($flags & self::FROZEN) !== 0,
            ($flags & self::LOCKED) !== 0,
        );
    }
}
