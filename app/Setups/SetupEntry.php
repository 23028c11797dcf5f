<?php

declare(strict_types=1);

namespace App\Setups;

use App\Setups\Models\Setup;
use Parlay\Core\ListOf;
use Parlay\Words\Cautions;

final readonly class SetupEntry
{
    /**
     * @param  list<ResidualEntry>  $residuals
     *  @param  list<string>  $cautions
     */
    public function __construct(
        public AcceptedSetup $setup,
        #[ListOf(ResidualEntry::class)]
        public array $residuals,
        #[ListOf('string')]
        public array $cautions,
        public ?float $unitWeightDeviation,
    ) {}

    public static function of(Setup $s): self
    {
        return new self(
            AcceptedSetup::of($s),
            array_map(ResidualEntry::of(...), $s->found()->residuals), Cautions::sentences($s->found()->cautions), $s->found()->unitWeightDeviation,
        );
    }
}
