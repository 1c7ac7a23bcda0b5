<?php

declare(strict_types=1);

use App\Actions\ClinicFiles;
use App\Exchange\ClientFiles;
use App\Http\Controllers\AppointmentController;
use App\Http\Controllers\AtlasController;
use App\Http\Controllers\AuditController;
use App\Http\Controllers\CalendarController;
use App\Http\Controllers\CaseloadController;
use App\Http\Controllers\CheckInController;
use App\Http\Controllers\ClientController;
use App\Http\Controllers\ClientFilesController;
use App\Http\Controllers\ClientKeepingController;
use App\Http\Controllers\ClinicFilesController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\EventController;
use App\Http\Controllers\HomeCareController;
use App\Http\Controllers\LeanController;
use App\Http\Controllers\LetterController;
use App\Http\Controllers\LockController;
use App\Http\Controllers\NoteController;
use App\Http\Controllers\OutboxController;
use App\Http\Controllers\PasswordController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\ProtocolController;
use App\Http\Controllers\ReportController;
use App\Http\Controllers\ScopeController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SettingsController;
use App\Http\Controllers\SimulatedDeviceController;
use App\Http\Controllers\SummaryController;
use App\Http\Controllers\TodayController;
use App\Http\Controllers\TrainerController;
use App\Http\Controllers\VisitController;
use App\Http\Controllers\WaitingController;
use App\Http\Controllers\WhatIfController;
use App\Http\Controllers\WorklistController;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Support\Facades\Route;
use Somatrace\Core\Simulation\SimulatedDevices;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store'])->middleware('throttle:sign-in')->name('sign-in.store');
    Route::get('/second-step', [SessionController::class, 'second'])->name('second-step');
    Route::post('/second-step', [SessionController::class, 'finish'])->middleware('throttle:sign-in')->name('second-step.finish');
    Route::get('/forgotten', [PasswordController::class, 'forgotten'])->name('password.request');
    Route::post('/forgotten', [PasswordController::class, 'send'])->middleware('throttle:sign-in')->name('password.email');
    Route::get('/choose-password/{token}', [PasswordController::class, 'create'])->name('password.reset');
    Route::post('/choose-password', [PasswordController::class, 'store'])->middleware('throttle:sign-in')->name('password.update');
});

// for a client without an account: by address and by link, never for the whole clinic
Route::middleware('throttle:check-in')->group(function (): void {
    Route::get('/check-in', [CheckInController::class, 'code'])->name('check-in.code');
    Route::post('/check-in', [CheckInController::class, 'enter'])->name('check-in.enter');
    Route::get('/check-in/{link}', [CheckInController::class, 'show'])->name('check-in.show');
    Route::post('/check-in/{link}', [CheckInController::class, 'open'])->name('check-in.open');
    Route::put('/check-in/{link}', [CheckInController::class, 'update'])->name('check-in.update');
    Route::get('/calendar/{link}.ics', [CalendarController::class, 'feed'])->name('calendar.feed');
});

Route::middleware(['auth', 'auth.session'])->group(function (): void {
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', TodayController::class)->name('today');

    Route::get('/caseload', CaseloadController::class)->name('caseload');
    Route::get('/calendar', [CalendarController::class, 'show'])->name('calendar');
    Route::post('/account/calendar', [CalendarController::class, 'open'])->name('calendar.open');
    Route::delete('/account/calendar', [CalendarController::class, 'close'])->name('calendar.close');
    Route::put('/appointments/{appointment}', [AppointmentController::class, 'update'])->name('appointments.update');
    Route::post('/clients/{client}/waiting', [WaitingController::class, 'store'])->name('waiting.store');
    Route::delete('/waiting/{waiting}', [WaitingController::class, 'destroy'])->name('waiting.destroy');

    Route::get('/outbox', OutboxController::class)->name('outbox');

    Route::get('/account', [PasswordController::class, 'account'])->name('account');
    Route::put('/account/password', [PasswordController::class, 'update'])->name('account.password');
    Route::post('/account/everywhere', [PasswordController::class, 'everywhere'])->name('account.everywhere');

    Route::post('/account/second-factor/begin', [SecondFactorController::class, 'create'])->name('second-factor.begin');
    Route::post('/account/second-factor', [SecondFactorController::class, 'store'])->name('second-factor.store');
    Route::delete('/account/second-factor', [SecondFactorController::class, 'destroy'])->name('second-factor.destroy');

    Route::get('/people', [PeopleController::class, 'index'])->name('people');
    Route::post('/people', [PeopleController::class, 'store'])->name('people.store');
    Route::put('/people/{person}', [PeopleController::class, 'update'])->name('people.update');
    Route::post('/people/{person}/close', [PeopleController::class, 'close'])->name('people.close');
    Route::post('/people/{person}/open', [PeopleController::class, 'open'])->name('people.open');
    Route::delete('/people/{person}/second-factor', [PeopleController::class, 'resetSecondFactor'])->name('people.second-factor');
    Route::post('/people/{person}/remind', [PeopleController::class, 'remind'])->name('people.remind');

    Route::post('/lock', [LockController::class, 'close'])->name('lock.close');
    Route::post('/touched', [LockController::class, 'touch'])->name('lock.touch');
    Route::get('/locked', [LockController::class, 'show'])->name('lock.show');
    Route::post('/unlock', [LockController::class, 'open'])->name('lock.open');

    Route::get('/settings', [SettingsController::class, 'show'])->name('settings');
    Route::put('/settings/own', [SettingsController::class, 'own'])->name('account.settings');
    Route::put('/settings/prefers', [SettingsController::class, 'prefer'])->name('account.prefers');
    Route::put('/settings/clinic', [SettingsController::class, 'clinic'])->name('settings.update');

    Route::get('/clinic/audit', [AuditController::class, 'show'])->name('audit');
    Route::get('/clinic/audit.csv', [AuditController::class, 'download'])->name('audit.file');
    Route::get('/clinic/files', [ClinicFilesController::class, 'show'])->name('clinic.files');
    Route::get('/clinic/files/{format}', [ClinicFilesController::class, 'download'])->whereIn('format', array_keys(ClinicFiles::FORMATS))
        ->name('clinic.file');
    Route::post('/clinic/bring/{format}', [ClinicFilesController::class, 'preview'])->whereIn('format', array_keys(ClinicFiles::FORMATS))
        ->name('clinic.bring.preview');
    Route::post(
        '/clinic/bring/{format}/apply', [ClinicFilesController::class, 'apply'],
    )->whereIn('format', array_keys(ClinicFiles::FORMATS))->name('clinic.bring.apply');

    Route::get('/bring/progress/{token}', [ClinicFilesController::class, 'progress'])->where('token', '[0-9A-Z]{26}')
        ->name('bring.progress');

    Route::get('/clinic/scope', [ScopeController::class, 'show'])->name('scope');
    Route::put('/clinic/scope', [ScopeController::class, 'update'])->name('scope.update');

    Route::inertia('/help', 'Help')->name('help');
    Route::get('/atlas', [AtlasController::class, 'index'])->name('atlas');
    Route::get('/atlas/search', [AtlasController::class, 'search'])->name('atlas.search');
    Route::get('/atlas/trainer', [TrainerController::class, 'show'])->name('atlas.trainer');
    Route::post('/atlas/trainer', [TrainerController::class, 'store'])->name('atlas.trainer.answer');
    Route::get('/atlas/trainer/lean', [LeanController::class, 'show'])->name('atlas.lean');
    Route::post('/atlas/trainer/lean', [LeanController::class, 'store'])->name('atlas.lean.store');
    Route::post('/atlas/trainer/lean/plate', [LeanController::class, 'plate'])->name('atlas.lean.plate');
    Route::delete('/atlas/trainer/lean/{tool}', [LeanController::class, 'destroy'])->name('atlas.lean.destroy');
    Route::get('/atlas/{kind}/{id}', [AtlasController::class, 'show'])->name('atlas.show');

    Route::get('/clients', [ClientController::class, 'index'])->name('clients.index');
    Route::get('/clients/new', [ClientController::class, 'create'])->name('clients.create');
    // what is searched for travels in the body: names never stand in an address
    Route::post('/clients/search', [ClientController::class, 'search'])->name('clients.search');
    Route::post('/clients/find', [ClientController::class, 'find'])->name('clients.find');
    Route::post('/clients', [ClientController::class, 'store'])->name('clients.store');
    Route::get('/clients/{client}', [ClientController::class, 'show'])->name('clients.show');
    Route::get('/clients/{client}/edit', [ClientController::class, 'edit'])->name('clients.edit');
    Route::put('/clients/{client}', [ClientController::class, 'update'])->name('clients.update');
    Route::post('/clients/{client}/archive', [ClientKeepingController::class, 'archive'])->name('clients.archive');
    Route::post('/clients/{client}/unarchive', [ClientKeepingController::class, 'unarchive'])->name('clients.unarchive');
    Route::post('/clients/{client}/merge', [ClientKeepingController::class, 'merge'])->name('clients.merge');
    Route::post('/clients/{client}/unmerge', [ClientKeepingController::class, 'unmerge'])->name('clients.unmerge');
    Route::delete('/clients/{client}', [ClientKeepingController::class, 'erase'])->name('clients.erase');
    Route::get('/clients/{client}/export', [ClientFilesController::class, 'export'])->name('clients.export');
    Route::get('/clients/{client}/files', [ClientFilesController::class, 'show'])->name('clients.bring');
    Route::get(
        '/clients/{client}/files/{format}', [ClientFilesController::class, 'download'],
    )->whereIn('format', array_keys(ClientFiles::FORMATS))->name('clients.file');
    Route::post(
        '/clients/{client}/bring/{format}', [ClientFilesController::class, 'preview'],
    )->whereIn('format', array_keys(ClientFiles::FORMATS))->name('clients.bring.preview');
    Route::post(
        '/clients/{client}/bring/{format}/apply', [ClientFilesController::class, 'apply'],
    )->whereIn('format', array_keys(ClientFiles::FORMATS))->name('clients.bring.apply');
    Route::get('/clients/{client}/compare', [ClientController::class, 'compare'])->name('clients.compare');
    Route::get('/clients/{client}/report', [ReportController::class, 'show'])->name('clients.report');
    Route::put('/clients/{client}/report', [ReportController::class, 'keep'])->name('clients.report.keep');
    Route::get('/clients/{client}/report.pdf', [ReportController::class, 'pdf'])->name('clients.report.pdf');
    Route::post('/clients/{client}/check-ins', [CheckInController::class, 'store'])->name('check-ins.store');
    Route::post('/clients/{client}/appointments', [AppointmentController::class, 'store'])->name('appointments.store');
    Route::post('/clients/{client}/visits', [VisitController::class, 'store'])->name('visits.store');

    Route::get('/visits/{visit}/case.json', [VisitController::class, 'export'])->name('visits.export');
    Route::get('/visits/{visit}/entries', [EntryController::class, 'index'])->name('visits.entries.index');
    Route::post('/visits/{visit}/entries', [EntryController::class, 'store'])->name('visits.entries.several');
    Route::put('/visits/{visit}/entries', [EntryController::class, 'update'])->name('visits.entries');
    Route::post('/visits/{visit}/check-in', [CheckInController::class, 'take'])->name('visits.check-in');
    Route::post('/visits/{visit}/check-backs', [CheckInController::class, 'askBack'])->name('check-backs.store');
    Route::post('/visits/{visit}/check-backs/mail', [CheckInController::class, 'mailBack'])->name('check-backs.mail');
    Route::delete('/visits/{visit}/check-backs/mail', [CheckInController::class, 'mailNot'])->name('check-backs.unmail');
    Route::post('/visits/{visit}/plan', [PlanController::class, 'store'])->name('visits.plan');
    Route::get('/visits/{visit}/protocols', [ProtocolController::class, 'index'])->name('visits.protocols');
    Route::post('/visits/{visit}/protocols', [ProtocolController::class, 'store'])->name('visits.protocols.keep');
    Route::post('/visits/{visit}/protocols/tries', [ProtocolController::class, 'try'])->name('visits.protocols.tries');
    Route::post('/protocols', [ProtocolController::class, 'bring'])->name('protocols.bring');
    Route::get('/protocols/{protocol}', [ProtocolController::class, 'file'])->name('protocols.file');
    Route::put('/protocols/{protocol}', [ProtocolController::class, 'update'])->name('protocols.update');
    Route::delete('/protocols/{protocol}', [ProtocolController::class, 'destroy'])->name('protocols.destroy');
    Route::get('/visits/{visit}/plan/{reader}', [PlanController::class, 'paper'])->whereIn('reader', array_keys(PlanController::PAPERS))
        ->name('visits.plan.paper');
    Route::post('/visits/{visit}/plan/tries', [PlanController::class, 'try'])->name('visits.plan.tries');
    Route::get('/visits/{visit}/treatment.jsonl', [EventController::class, 'export'])->name('visits.treatment');
    Route::get('/visits/{visit}/consent', [EventController::class, 'consent'])->name('visits.consent');
    Route::post('/visits/{visit}/events', [EventController::class, 'store'])->name('visits.events');
    Route::post('/visits/{visit}/stop', [VisitController::class, 'stop'])->name('visits.stop');
    Route::post('/visits/{visit}/take-up', [VisitController::class, 'takeUp'])->name('visits.take-up');
    Route::post('/visits/{visit}/sign', [NoteController::class, 'store'])->name('visits.sign');
    Route::post('/visits/{visit}/countersign', [NoteController::class, 'countersign'])->name('visits.countersign');
    Route::post('/visits/{visit}/give-back', [NoteController::class, 'giveBack'])->name('visits.give-back');
    Route::post('/visits/{visit}/correct', [NoteController::class, 'correct'])->name('visits.correct');
    Route::get('/visits/{visit}/note', [NoteController::class, 'show'])->name('visits.note');
    Route::get('/visits/{visit}/note.pdf', [NoteController::class, 'pdf'])->name('visits.note.pdf');
    Route::get('/visits/{visit}/summary', [SummaryController::class, 'show'])->name('visits.summary');
    Route::get('/visits/{visit}/home-care', [HomeCareController::class, 'show'])->name('visits.home-care');
    Route::get('/visits/{visit}/home-care.pdf', [HomeCareController::class, 'pdf'])->name('visits.home-care.pdf');
    Route::get('/visits/{visit}/home-care.ics', [HomeCareController::class, 'calendar'])->name('visits.home-care.ics');
    Route::get('/visits/{visit}/summary.pdf', [SummaryController::class, 'pdf'])->name('visits.summary.pdf');
    Route::get('/visits/{visit}/letter', [LetterController::class, 'show'])->name('visits.letter');
    Route::get('/visits/{visit}/letter.pdf', [LetterController::class, 'pdf'])->name('visits.letter.pdf');
    Route::put('/visits/{visit}', [VisitController::class, 'update'])->name('visits.update');
    Route::post('/visits/{visit}/worklist', [WorklistController::class, 'show'])->name('visits.worklist');
    Route::post(
        '/visits/{visit}/devices/{device}/readings', [SimulatedDeviceController::class, 'show'],
    )->whereIn('device', SimulatedDevices::names())->name('visits.device');
    Route::post('/visits/{visit}/what-if', [WhatIfController::class, 'show'])->name('visits.what-if');
    Route::get('/visits/{visit}/{step?}', [VisitController::class, 'show'])->name('visits.show');
});

// an address that is none still knows who asked: it can offer them a way on
Route::any('{missing}', static fn () => abort(404))->where('missing', '.*')->withoutMiddleware(ValidateCsrfToken::class)->fallback();
