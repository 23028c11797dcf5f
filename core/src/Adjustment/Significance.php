<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * How unlikely something must be before it is said: the one place where that is decided.
 *
 * Quantiles of the normal distribution and of χ² are those of the tables (NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7); which level is asked
 * for where is common practice, without a source, but for Baarda's pair of levels.
 */
final class Significance
{
    /** The global test of a setup: a clean one passes in 98 of 100 cases. */
    public const CLEAN = 0.98;

    /** The same for one difference, in standard deviations. */
    public const CLEAN_DEVIATIONS = 2.33;

    /** A check shot: a setup that holds gives such a difference in 99 of 100 cases. */
    public const CHECK = 0.99;

    /** With a cause mended, a setup is believed that a clean one would be in all but five of a thousand cases. */
    public const BELIEVED = 0.995;

    /** One observation is suspected beyond so many standard deviations: one of a thousand clean ones (Baarda, 1968, by name). */
    public const SUSPECT = 3.3;

    /** What disagrees by more standard deviations than this is told beside a setup on a known mark. */
    public const TOLD = 3.0;

    /** So many standard deviations an error must have to be found at the level above in 80 of 100 cases (Baarda, 1968, by name). */
    public const DETECTED = 4.13;

    /** 95 of 100, of one dimension: standard deviations. */
    public const NINETY_FIVE = 1.96;
}
