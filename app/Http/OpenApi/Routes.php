<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Illuminate\Support\Facades\Route;

/** The routes, read from the attributes that describe them: an address stands once, beside the method that answers there. */
final class Routes
{
    public static function ofControllers(): void
    {
        foreach (self::operations() as $o) {
            Route::match([$o->verb], $o->path, [$o->controller, $o->method]);
        }
    }

    /** @return list<Operation> */
    public static function operations(): array
    {
        $operations = [];
        foreach (self::controllers() as $controller) {
            foreach ((new \ReflectionClass($controller))->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
                $operations[] = Operation::of($method);
            }
        }

        return array_values(array_filter($operations));
    }

    /** @return list<class-string> every subject keeps its controllers in its folder Http */
    private static function controllers(): array
    {
        $files = [...(glob(app_path('*/Http/*Controller.php')) ?: []), ...(glob(app_path('Http/*Controller.php')) ?: [])];
        /** @var list<class-string> $classes */
        $classes = array_map(static fn (string $f) => 'App\\'.strtr(substr($f, strlen(app_path()) + 1, -4), '/', '\\'), $files);

        return $classes;
    }
}
