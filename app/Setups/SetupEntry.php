<?php

declare(strict_types=1);

namespace App\Setups;

use App\Setups\Models\Setup;
use Parlay\Core\ListOf;
use Parlay\Core\Setups\SightResidual;
use Parlay\Words\Cautions;

final readonly class SetupEntry
{
    /**
     * @param  list<SightResidual>  $residuals
     *  @param  list<string>  $cautions
     */
    public function __construct(
        public AcceptedSetup $setup,
        #[ListOf(SightResidual::class)]
        public array $residuals,
        #[ListOf('string')]
        public array $cautions,
        public ?float $unitWeightDeviation,
    ) {}

    public static function of(Setup $s): self
    {
        return new self(
            AcceptedSetup::of($s),
            $s->found()->residuals, Cautions::sentences($s->found()->cautions), $s->found()->unitWeightDeviation,
        );
    }
}
