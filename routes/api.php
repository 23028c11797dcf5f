<?php

declare(strict_types=1);

use App\Http\Controllers\CodeController;
use App\Http\Controllers\ComputeController;
use App\Http\Controllers\ConstructionController;
use App\Http\Controllers\ControlController;
use App\Http\Controllers\DesignController;
use App\Http\Controllers\EquipmentController;
use App\Http\Controllers\FieldBookController;
use App\Http\Controllers\GridController;
use App\Http\Controllers\InstrumentController;
use App\Http\Controllers\MendingController;
use App\Http\Controllers\PointController;
use App\Http\Controllers\PointsFileController;
use App\Http\Controllers\PracticeController;
use App\Http\Controllers\ProjectController;
use App\Http\Controllers\ReportController;
use App\Http\Controllers\SelectionController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\StandController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\WorklistController;
use Illuminate\Support\Facades\Route;

Route::get('openapi.json', fn () => response()->file(resource_path('js/api/generated/openapi.json'), ['Content-Type' => 'application/json']));

Route::controller(ComputeController::class)->group(function (): void {
    Route::get('ping', 'ping');
    Route::get('compute/length', 'length');
    Route::get('compute/angle', 'angle');
    Route::get('compute/angle-text', 'angleText');
    Route::post('compute/sight', 'sight');
    Route::post('compute/setup', 'setup');
    Route::post('compute/guidance', 'guidance');
});

Route::controller(PracticeController::class)->group(function (): void {
    Route::get('practice', 'show');
    Route::post('practice', 'store');
    Route::post('projects/{project}/practice-site', 'plant');
    Route::get('projects/{project}/practice-list', 'slipped');
});

Route::get('projects', [ProjectController::class, 'index']);
Route::post('projects', [ProjectController::class, 'store']);
Route::post('packed-uploads', [ProjectController::class, 'uploadPacked']);
Route::post('projects-unpacking', [ProjectController::class, 'unpack']);

Route::prefix('projects/{project}')->group(function (): void {
    Route::controller(ProjectController::class)->group(function (): void {
        Route::get('', 'show');
        Route::put('', 'update');
        Route::post('open', 'open');
        Route::post('undo', 'undo');
        Route::post('redo', 'redo');
        Route::post('packing', 'pack');
        Route::get('packed/{task}', 'packed');
    });
    Route::controller(ControlController::class)->group(function (): void {
        Route::get('control', 'index');
        Route::post('control', 'store');
        Route::post('measured-control', 'measured');
        Route::put('control/{control}', 'update');
        Route::delete('control/{control}', 'destroy');
    });
    Route::controller(TaskController::class)->group(function (): void {
        Route::get('tasks/{task}', 'show');
        Route::post('tasks/{task}/cancel', 'cancel');
    });
    Route::controller(PointsFileController::class)->group(function (): void {
        Route::post('uploads', 'upload');
        Route::post('points-preview', 'preview');
        Route::post('points-import', 'import');
        Route::get('points-file', 'export');
    });
    Route::controller(DesignController::class)->group(function (): void {
        Route::post('drawing-inspection', 'inspect');
        Route::get('designs', 'index');
        Route::post('designs', 'store');
        Route::put('designs/{design}', 'update');
        Route::delete('designs/{design}', 'destroy');
        Route::get('designs/{design}/added', 'added');
        Route::get('designs/{design}/gone', 'gone');
        Route::get('designs/{design}/moved', 'moved');
        Route::post('compute-placement', 'placement');
        Route::get('layers/{layer}/shapes', 'shapes');
        Route::get('layers/{layer}/curves', 'curves');
        Route::patch('layers', 'change');
    });
    Route::controller(PointController::class)->group(function (): void {
        Route::get('points', 'index');
        Route::post('points', 'store');
        Route::put('points/{point}', 'update');
        Route::put('points/{point}/label', 'label');
        Route::post('points-deletion', 'destroy');
        Route::post('spots', 'spot');
        Route::post('inverse', 'inverse');
        Route::get('next-name', 'nextName');
        Route::get('nearest-open', 'nearest');
    });
    Route::controller(ConstructionController::class)->group(function (): void {
        Route::post('constructions-preview', 'preview');
        Route::post('constructions', 'store');
        Route::post('lines', 'keepLines');
        Route::post('collections-preview', 'collect');
        Route::post('collections', 'keepCollection');
        Route::get('points/{point}/recipe', 'recipe');
        Route::put('points/{point}/recipe', 'change');
        Route::get('proposals', 'proposals');
        Route::post('proposals-adoption', 'adopt');
        Route::post('recipes-dropping', 'drop');
    });
    Route::controller(GridController::class)->group(function (): void {
        Route::get('grid-lines', 'index');
        Route::get('grid-spacings', 'spacings');
        Route::post('grid-preview', 'preview');
        Route::post('grid-lines', 'store');
        Route::put('grid-lines/{line}', 'update');
        Route::post('grid-lines-deletion', 'destroy');
    });
    Route::controller(SelectionController::class)->group(function (): void {
        Route::post('renaming-preview', 'previewNames');
        Route::post('renaming', 'rename');
        Route::post('moving-preview', 'previewMove');
        Route::post('moving', 'move');
        Route::post('elevations', 'elevations');
        Route::post('codes-setting', 'codes');
    });
    Route::controller(CodeController::class)->group(function (): void {
        Route::get('codes', 'index');
        Route::post('codes', 'store');
        Route::delete('codes/{code}', 'destroy');
    });
    Route::controller(WorklistController::class)->group(function (): void {
        Route::get('worklists', 'index');
        Route::post('worklists', 'store');
        Route::put('worklists/{list}', 'update');
        Route::delete('worklists/{list}', 'destroy');
        Route::post('worklists/{list}/skipping', 'skip');
        Route::post('worklists/{list}/sheet', 'sheet');
        Route::post('walk', 'walk');
    });
    Route::controller(EquipmentController::class)->group(function (): void {
        Route::get('instruments', 'instruments');
        Route::post('instruments', 'addInstrument');
        Route::put('instruments/{instrument}', 'changeInstrument');
        Route::delete('instruments/{instrument}', 'dropInstrument');
        Route::get('targets', 'targets');
        Route::post('targets', 'addTarget');
        Route::put('targets/{target}', 'changeTarget');
        Route::delete('targets/{target}', 'dropTarget');
    });
    Route::controller(SetupController::class)->group(function (): void {
        Route::get('setup', 'show');
        Route::patch('setup', 'update');
        Route::post('setups', 'accept');
        Route::post('site-lines', 'siteLine');
        Route::post('readings', 'readings');
        Route::post('raw-text-preview', 'rawText');
        Route::post('setups/{setup}/sheet', 'sheet');
    });
    Route::controller(MendingController::class)->group(function (): void {
        Route::get('checks', 'checks');
        Route::post('corrections', 'correct');
        Route::get('setup-proposals', 'proposals');
        Route::post('setup-proposals-adoption', 'adopt');
    });
    Route::controller(StandController::class)->group(function (): void {
        Route::post('stand-here', 'here');
        Route::post('stand-map', 'map');
    });
    Route::controller(InstrumentController::class)->group(function (): void {
        Route::get('live', 'live');
        Route::get('instructions/{instruction}', 'instruction');
        Route::post('instrument/turn', 'turn');
        Route::post('instrument/measure', 'measure');
        Route::post('instrument/track', 'track');
        Route::post('instrument/search', 'search');
        Route::post('instrument/cancel', 'cancel');
    });
    Route::controller(FieldBookController::class)->group(function (): void {
        Route::get('field-book', 'index');
        Route::get('marks', 'marks');
        Route::post('marks', 'store');
    });
    Route::controller(ReportController::class)->group(function (): void {
        Route::post('reports', 'store');
        Route::get('reports/{task}.pdf', 'pdf');
        Route::get('report.csv', 'csv');
    });
});
