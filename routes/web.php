<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// Every address of the interface is one page; the browser's router does the rest.
Route::get('{any?}', fn () => view('app'))->where('any', '^(?!api/|build/).*$');
