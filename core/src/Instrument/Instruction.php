<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** Something a total station can be told to do. */
final readonly class Instruction
{
    /** @param  array<string, float|bool|string>  $values */
    private function __construct(
        public InstructionKind $kind,
        public array $values = [],
    ) {}

    /** Turn the telescope; radians on the instrument's own circle. */
    public static function turn(float $circle, float $zenith): self
    {
        return new self(InstructionKind::Turn, ['circle' => $circle, 'zenith' => $zenith]);
    }

    /** Sweep the circle until the prism is found, and hold it. */
    public static function search(): self
    {
        return new self(InstructionKind::Search);
    }

    /**
     * A measurement on purpose: mean of two faces.
     *
     * @param  bool  $dot  of what the red dot hits, without a prism, holding still where it points
     */
    public static function measure(bool $dot = false): self
    {
        return new self(InstructionKind::Measure, $dot ? ['dot' => true] : []);
    }

    /**
     * Turn, and measure what the red dot hits there, once and quickly; then hold still.
     *
     * @param  float  $wait  seconds to wait for a return
     */
    public static function dot(float $circle, float $zenith, float $wait): self
    {
        return new self(InstructionKind::Dot, ['circle' => $circle, 'zenith' => $zenith, 'wait' => $wait]);
    }

    /** Follows the prism, or no longer. */
    public static function track(bool $on): self
    {
        return new self(InstructionKind::Track, ['on' => $on]);
    }

    /** What the instrument applies to distances it shows. */
    public static function settings(float $ppm, float $prismConstant): self
    {
        return new self(InstructionKind::Settings, ['ppm' => $ppm, 'prism_constant' => $prismConstant]);
    }

    /** Ends what is under way. */
    public static function cancel(): self
    {
        return new self(InstructionKind::Cancel);
    }

    /** @param  array<string, mixed>  $values as stored by whoever queued it */
    public static function restored(string $kind, array $values): self
    {
        $number = static fn (string $key): float => is_numeric($values[$key] ?? null) ? (float) $values[$key] : 0.0;

        return match (InstructionKind::from($kind)) {
            InstructionKind::Turn => self::turn($number('circle'), $number('zenith')),
            InstructionKind::Search => self::search(),
            InstructionKind::Measure => self::measure((bool) ($values['dot'] ?? false)),
            InstructionKind::Dot => self::dot($number('circle'), $number('zenith'), $number('wait')),
            InstructionKind::Track => self::track((bool) ($values['on'] ?? false)),
            InstructionKind::Settings => self::settings($number('ppm'), $number('prism_constant')),
            InstructionKind::Cancel => self::cancel(),
        };
    }
}
