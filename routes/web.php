<?php

declare(strict_types=1);

use App\Http\Controllers\AppointmentController;
use App\Http\Controllers\AtlasController;
use App\Http\Controllers\CheckInController;
use App\Http\Controllers\ClientController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\EventController;
use App\Http\Controllers\LetterController;
use App\Http\Controllers\NoteController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\ScopeController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\TodayController;
use App\Http\Controllers\TrainerController;
use App\Http\Controllers\VisitController;
use App\Http\Controllers\WhatIfController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store'])->middleware('throttle:sign-in');
});

// for a client without an account: by address and by link, never for the whole clinic
Route::middleware('throttle:check-in')->group(function (): void {
    Route::get('/check-in', [CheckInController::class, 'code'])->name('check-in.code');
    Route::post('/check-in', [CheckInController::class, 'enter'])->name('check-in.enter');
    Route::get('/check-in/{link}', [CheckInController::class, 'show'])->name('check-in.show');
    Route::post('/check-in/{link}', [CheckInController::class, 'open'])->name('check-in.open');
    Route::put('/check-in/{link}', [CheckInController::class, 'update'])->name('check-in.update');
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', TodayController::class)->name('today');

    Route::get('/clinic/scope', [ScopeController::class, 'show'])->name('scope');
    Route::put('/clinic/scope', [ScopeController::class, 'update'])->name('scope.update');

    Route::get('/atlas', [AtlasController::class, 'index'])->name('atlas');
    Route::get('/atlas/search', [AtlasController::class, 'search'])->name('atlas.search');
    Route::get('/atlas/trainer', [TrainerController::class, 'show'])->name('atlas.trainer');
    Route::post('/atlas/trainer', [TrainerController::class, 'store'])->name('atlas.trainer.answer');
    Route::get('/atlas/{kind}/{id}', [AtlasController::class, 'show'])->name('atlas.show');

    Route::get('/clients/new', [ClientController::class, 'create'])->name('clients.create');
    Route::get('/clients/search', [ClientController::class, 'search'])->name('clients.search');
    Route::post('/clients', [ClientController::class, 'store'])->name('clients.store');
    Route::get('/clients/{client}', [ClientController::class, 'show'])->name('clients.show');
    Route::get('/clients/{client}/compare', [ClientController::class, 'compare'])->name('clients.compare');
    Route::post('/clients/{client}/check-ins', [CheckInController::class, 'store'])->name('check-ins.store');
    Route::post('/clients/{client}/appointments', [AppointmentController::class, 'store'])->name('appointments.store');
    Route::post('/clients/{client}/visits', [VisitController::class, 'store'])->name('visits.store');

    Route::get('/visits/{visit}/case.json', [VisitController::class, 'export'])->name('visits.export');
    Route::get('/visits/{visit}/entries', [EntryController::class, 'index']);
    Route::post('/visits/{visit}/entries', [EntryController::class, 'store']);
    Route::put('/visits/{visit}/entries', [EntryController::class, 'update'])->name('visits.entries');
    Route::post('/visits/{visit}/check-in', [CheckInController::class, 'take'])->name('visits.check-in');
    Route::post('/visits/{visit}/plan', [PlanController::class, 'store'])->name('visits.plan');
    Route::post('/visits/{visit}/events', [EventController::class, 'store'])->name('visits.events');
    Route::post('/visits/{visit}/stop', [VisitController::class, 'stop'])->name('visits.stop');
    Route::post('/visits/{visit}/take-up', [VisitController::class, 'takeUp'])->name('visits.take-up');
    Route::post('/visits/{visit}/sign', [NoteController::class, 'store'])->name('visits.sign');
    Route::post('/visits/{visit}/correct', [NoteController::class, 'correct'])->name('visits.correct');
    Route::get('/visits/{visit}/letter', [LetterController::class, 'show'])->name('visits.letter');
    Route::get('/visits/{visit}/letter.pdf', [LetterController::class, 'pdf'])->name('visits.letter.pdf');
    Route::put('/visits/{visit}', [VisitController::class, 'update'])->name('visits.update');
    Route::get('/visits/{visit}/what-if', [WhatIfController::class, 'show'])->name('visits.what-if');
    Route::get('/visits/{visit}/{step?}', [VisitController::class, 'show'])->name('visits.show');
});
