<?php

declare(strict_types=1);

namespace App\Buildings;

use App\Designs\DesignEntry;
use App\Designs\HeightsChoice;
use App\Designs\Models\Design;
use App\Designs\Tasks\TakeDrawing;
use App\Projects\Uploads;
use Parlay\Core\Formats\Dxf\Transform;
use Parlay\Core\Formats\Step\UnreadableStep;

/** What is made of a building model when it is first asked for, and kept beside the file it came in. */
final class MadeOfModel
{
    /**
     * @param  string  $what  a word for it, and the form it has
     * @param  \Closure(string): void  $make  writes it to a path; whole or not at all, also where two ask at once
     * @return string where it lies
     *
     * @throws \DomainException where the drawing is no model, or has no heights
     */
    public static function path(Design $design, string $what, \Closure $make): string
    {
        if ($design->place_word !== 'instance') {
            throw new \DomainException('This drawing is no building model: there is nothing in it to be seen in space.');
        }
        if ($design->heights !== HeightsChoice::Used->value) {
            throw new \DomainException('The model was taken without its heights: it can be seen on the plan alone. Take it again with its heights.');
        }
        $path = Uploads::path($design->upload).".$what-{$design->id}";
        if (is_file($path)) {
            return $path;
        }
        $part = $path.'.'.bin2hex(random_bytes(4)).'.part';
        try {
            $make($part);
        } catch (\Throwable $e) {
            @unlink($part);
            throw $e instanceof UnreadableStep ? new \DomainException($e->getMessage()) : $e;
        }
        if (! @rename($part, $path)) {
            @unlink($part);
            throw new \DomainException('The disk of the data folder is full, or may not be written to. Make room, then try again.');
        }

        return $path;
    }

    /** From where the file puts it to the site. */
    public static function placement(Design $design): ?Transform
    {
        return TakeDrawing::transform(DesignEntry::placementOf($design));
    }
}
