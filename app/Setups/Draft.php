<?php

declare(strict_types=1);

namespace App\Setups;

use Illuminate\Support\Carbon;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Target;
use Parlay\Core\ListOf;

final readonly class Draft
{
    /** hours; 8 °C more make 8 ppm, which is a millimetre in 125 m; common practice, no source */
    private const AIR_HOLDS = 6;

    /**
     * instrumentHeight: straight up, also where it was measured slanted. airMode: whether ppm comes of the air or is typed. azimuth: of
     * the given direction or of the baseline; length: that the baseline should have. place: which of two possible places. ppmInUse:
     * typed, or by the chosen instrument's carrier; null where the standard carrier will do. turnEarlier: a baseline turns all that was
     * measured from here before with it.
     * airAt: when pressure and temperature, or the correction, were told last. dot: measured without a prism, what the red dot hits; the
     * prism's height and constant stay told for when it is taken up again. heightTold: the instrument's height was told for this setup; targetTold: the target's
     * ever was.
     *
     * @param  list<DraftSight>  $sights
     * @param  list<DraftLine>  $lines
     * @param  list<DraftShot>  $shots
     */
    public function __construct(
        public SetupMethod $method = SetupMethod::Resection,
        public ?int $stationControlId = null,
        public float $instrumentHeight = 1.6,
        public float $targetHeight = 2.0,
        public float $prismConstant = 0.0,
        public float $pressure = 1013.25,
        public float $temperature = 12.0,
        #[ListOf(DraftSight::class)]
        public array $sights = [],
        public float $humidity = 0.6,
        public AirMode $airMode = AirMode::Air,
        public float $ppm = 0.0,
        public float $scale = 1.0,
        public HeightMode $heightMode = HeightMode::Straight,
        public float $slantedHeight = 1.6,
        public ?int $instrumentId = null,
        public ?int $targetId = null,
        public string $stationName = '',
        public float $azimuth = 0.0,
        public float $length = 0.0,
        public float $assumedNorthing = 1000.0,
        public float $assumedEasting = 1000.0,
        public float $assumedElevation = 100.0,
        #[ListOf(DraftLine::class)]
        public array $lines = [],
        #[ListOf(DraftShot::class)]
        public array $shots = [],
        public int $place = 0,
        public bool $oneFace = false,
        public ?float $ppmInUse = null,
        public bool $turnEarlier = false,
        public float $refraction = Atmosphere::REFRACTION,
        public ?string $airAt = null,
        public bool $dot = false,
        public bool $heightTold = false,
        public bool $targetTold = false,
    ) {}

    /** Whether the instrument's height is that of another setup, or none that anybody measured. Turned again, it stands as it stood. */
    public function isHeightDue(): bool
    {
        return ! $this->heightTold && ! $this->method->isAgain();
    }

    /** Whether the air has to be told: it never was, or so long ago that it is that of another part of the day. */
    public function isAirDue(): bool
    {
        return $this->airAt === null || Carbon::parse($this->airAt)->diffInHours(Carbon::now('UTC')) >= self::AIR_HOLDS;
    }

    /** What is sighted: of a red dot neither height nor constant are anything but 0, whatever the pole's are. */
    public function target(): Target
    {
        return $this->dot ? new Target(0.0) : new Target($this->targetHeight, $this->prismConstant);
    }

    /** What distances are corrected by. */
    public function air(): Atmosphere
    {
        $air = new Atmosphere($this->pressure, $this->temperature, $this->humidity, $this->refraction);

        return $this->ppmInUse === null ? $air : $air->given($this->ppmInUse);
    }
}
