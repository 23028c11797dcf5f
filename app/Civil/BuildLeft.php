<?php

declare(strict_types=1);

namespace App\Civil;

/** What a surface that was left has come to. */
final readonly class BuildLeft
{
    /**
     * @param  int|null  $surfaceId  the surface it became; null where it had fewer than three shots
     * @param  VolumeFound|null  $volume  against its design; null where there is none
     * @param  VolumeUncertain|null  $uncertain  how far the net volume may be wrong; null where it can't be said
     * @param  string  $why  in words, why there is no surface or no volume
     */
    public function __construct(public ?int $surfaceId, public int $shots, public int $outside, public ?VolumeFound $volume, public string $why, public ?VolumeUncertain $uncertain = null) {}
}
