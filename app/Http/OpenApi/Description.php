<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;
use OpenApi\Generator;
use OpenApi\Processors\BuildPaths;

/** The interface's OpenAPI 3.1 description, made from the code. */
#[OA\Info(version: '1', title: 'Parlay', description: 'All that Parlay does, for its own screens and for other programs. Lengths are '
    .'metres, angles radians, directions grid azimuths clockwise from north.')]
final class Description
{
    public static function json(): string
    {
        $generator = (new Generator)->setVersion('3.1.0');
        $generator->addProcessor(new SchemasFromTypes, BuildPaths::class);
        $generator->addProcessor(new NameOperations);
        $api = $generator->generate([app_path('Http'), ...(glob(app_path('*/Http')) ?: [])]);

        return (string) $api?->toJson(JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }
}
