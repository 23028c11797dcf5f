<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Illuminate\Support\Facades\Route;

/** The routes, read from the attributes that describe them: an address stands once, beside the method that answers there. */
final class Routes
{
    private const VERBS = [Get::class => 'get', Post::class => 'post', Put::class => 'put', Patch::class => 'patch', Delete::class => 'delete'];

    public static function ofControllers(): void
    {
        foreach (glob(app_path('Http/Controllers/*.php')) ?: [] as $file) {
            /** @var class-string $controller */
            $controller = 'App\\Http\\Controllers\\'.basename($file, '.php');
            foreach ((new \ReflectionClass($controller))->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
                foreach ($method->getAttributes() as $attribute) {
                    $verb = self::VERBS[$attribute->getName()] ?? null;
                    if ($verb !== null) {
                        // The path alone is asked for: what else an attribute describes is worked out only for the description.
                        Route::match([$verb], (string) ($attribute->getArguments()['path'] ?? $attribute->getArguments()[0]), [$controller, $method->getName()]);
                    }
                }
            }
        }
    }
}
