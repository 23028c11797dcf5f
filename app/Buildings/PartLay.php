<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Aims\Aim;
use Parlay\Core\Stakeout\Aims\AxisAim;
use Parlay\Core\Stakeout\Aims\FaceAim;

/** How a face or an axis lies on the site. */
final readonly class PartLay
{
    /**
     * normal: of a face outward, east, north and up, of length 1; empty for an axis. ends: of an axis, six numbers. outline: of a face, its corners, three
     * numbers each; empty where it has more than are kept.
     *
     * @param  list<float>  $normal
     * @param  list<float>  $ends
     * @param  list<float>  $outline
     */
    public function __construct(
        #[ListOf('float')]
        public array $normal = [],
        #[ListOf('float')]
        public array $ends = [],
        #[ListOf('float')]
        public array $outline = [],
    ) {}

    public static function kept(?string $lay): self
    {
        $row = (array) json_decode((string) $lay, true);

        return new self(...array_map(static fn (array $v): array => array_map(floatval(...), $v), $row));
    }

    /** @param  Position|null  $on  a place on the face */
    public function aim(?Position $on): Aim
    {
        if (count($this->ends) === 6) {
            [$a, $b, $c, $x, $y, $z] = $this->ends;

            return new AxisAim([$a, $b, $c], [$x, $y, $z]);
        }
        [$e, $n, $up] = count($this->normal) === 3 ? $this->normal : throw new \LogicException('A face has a normal.');

        return new FaceAim($on ?? throw new \LogicException('A face has a place.'), [$e, $n, $up], self::corners($this->outline));
    }

    /** @return list<array{float, float, float}> what has to lie where it lay: the corners of a face, the ends of an axis */
    public function places(): array
    {
        return self::corners($this->ends === [] ? $this->outline : $this->ends);
    }

    /**
     * @param  list<float>  $flat
     * @return list<array{float, float, float}>
     */
    private static function corners(array $flat): array
    {
        $corners = [];
        for ($i = 0; $i + 2 < count($flat); $i += 3) {
            $corners[] = [$flat[$i], $flat[$i + 1], $flat[$i + 2]];
        }

        return $corners;
    }
}
