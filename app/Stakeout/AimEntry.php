<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\CivilLay;
use App\Stakeout\Models\KeptAim;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/** Something that was chosen in the field to be staked. */
final readonly class AimEntry
{
    /**
     * place: where it is; of a line, where it was touched; null for an elevation. lineId: the line that a place lies along. series: what its
     * marks are named by. judged: what counts of them; null where the code decides. changed: what the newest revision of its drawing has
     * become of it, as a sentence; empty where it is as it was.
     */
    public function __construct(
        public int $id,
        public string $key,
        public int $version,
        public AimKind $kind,
        public string $name,
        public string $source,
        public string $series,
        public string $code,
        public ?Judged $judged,
        public ?Position $place,
        public ?float $elevation,
        public ?int $lineId,
        public ?AimLine $line,
        public ?CivilLay $civil,
        public string $changed,
    ) {}

    public static function of(KeptAim $a, string $changed = ''): self
    {
        return new self(
            id: $a->id,
            key: $a->key,
            version: $a->version,
            kind: $a->kind,
            name: $a->kind === AimKind::Line ? Actions\PlacesAlong::named($a) : $a->name,
            source: $a->source,
            series: $a->series,
            code: $a->code,
            judged: Judged::tryFrom($a->judged),
            place: $a->place(),
            elevation: $a->elevation,
            lineId: $a->line_id,
            line: $a->kind === AimKind::Line ? AimLine::of($a) : null,
            civil: $a->kind->isCivil() ? $a->civilLay() : null,
            changed: $changed,
        );
    }
}
