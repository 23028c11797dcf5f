<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Instrument\Device;
use Illuminate\Http\Request;

/** The device that a request comes from, by its headers; a name may have any letters, and is sent as in an address. */
final class Speaker
{
    public static function of(Request $request): Device
    {
        return Device::said(
            (string) $request->headers->get('Parlay-Device'), rawurldecode((string) $request->headers->get('Parlay-Device-Name')),
        );
    }
}
