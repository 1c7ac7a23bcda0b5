<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SignVisit;
use App\Http\Requests\SignVisitRequest;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

final readonly class NoteController
{
    public function store(SignVisitRequest $request, Visit $visit, #[CurrentUser] User $user, SignVisit $sign): RedirectResponse
    {
        $sign->handle($visit, $user, $request->words(), CarbonImmutable::now());

        return to_route('visits.show', [$visit, 'after'])->with('message', 'Signed and frozen. A correction is a new revision with its reason.');
    }

    public function correct(SignVisitRequest $request, Visit $visit, #[CurrentUser] User $user, SignVisit $sign): RedirectResponse
    {
        $sign->correct($visit, $user, $request->words(), (string) $request->string('reason'), CarbonImmutable::now());

        return to_route('visits.show', [$visit, 'after'])->with('message', 'The correction is kept beside what was signed.');
    }

    public function countersign(Visit $visit, #[CurrentUser] User $user, SignVisit $sign): RedirectResponse
    {
        Gate::authorize('countersign', $visit);
        $sign->countersign($visit, $user, CarbonImmutable::now());

        return to_route('visits.show', [$visit, 'after'])->with('message', 'Your name stands beside the note.');
    }
}
