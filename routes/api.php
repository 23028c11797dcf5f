<?php

declare(strict_types=1);

use App\Http\OpenApi\Routes;
use Illuminate\Support\Facades\Route;

Route::get('openapi.json', fn () => response()->file(resource_path('js/api/generated/openapi.json'), ['Content-Type' => 'application/json']));

Routes::ofControllers();
