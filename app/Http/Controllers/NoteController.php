<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AlreadySigned;
use App\Actions\GiveNoteBack;
use App\Actions\SignVisit;
use App\Http\Pages\NotePage;
use App\Http\Requests\GiveBackRequest;
use App\Http\Requests\SignVisitRequest;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response as Page;

final readonly class NoteController
{
    /** 409 to whoever was not first, and asks for words; a page is led to the note that stands. */
    public function store(
        SignVisitRequest $request,
        Visit $visit,
        #[CurrentUser] User $user,
        SignVisit $sign,
    ): RedirectResponse|JsonResponse {
        try {
            $note = $sign->handle($visit, $user, $request->words(), $request->key(), CarbonImmutable::now());
        } catch (AlreadySigned $first) {
            return $request->expectsJson()
                ? response()->json(['message' => $first->getMessage()], 409)
                : to_route('visits.show', [$visit, 'after'])->with('message', $first->getMessage());
        }
        if ($request->expectsJson()) {
            return response()->json(['revision' => $note->revision, 'hash' => $note->content_hash]);
        }

        $later = __('What is corrected later is a new revision with its reason.');
        $waits = ! $user->role->isSupervised() || $user->supervisor === null
            ? ''
            : __('It waits for the name of :name.', ['name' => $user->supervisor->name]).' ';

        return to_route('visits.show', [$visit, 'after'])->with('message', $waits.$later);
    }

    public function correct(SignVisitRequest $request, Visit $visit, #[CurrentUser] User $user, SignVisit $sign): RedirectResponse
    {
        $sign->correct(
            $visit, $user, $request->words(), $request->sentences(), (string) $request->string('reason'), $request->key(),
            CarbonImmutable::now(),
        );

        return to_route('visits.show', [$visit, 'after'])->with('message', 'The correction is kept beside what was signed.');
    }

    public function show(Visit $visit, NotePage $page): Page
    {
        Gate::authorize('view', $visit);
        abort_unless($visit->isSigned(), 404);

        return Inertia::render('Visit/Note', $page->of($visit));
    }

    public function pdf(Visit $visit, NotePage $page): Response
    {
        Gate::authorize('view', $visit);
        abort_unless($visit->isSigned(), 404);

        return ClientFilesController::attachment($page->pdf($visit), 'application/pdf', "note-{$visit->client->code}-{$visit->number}.pdf");
    }

    public function countersign(Visit $visit, #[CurrentUser] User $user, SignVisit $sign): RedirectResponse
    {
        Gate::authorize('countersign', $visit);
        $sign->countersign($visit, $user, CarbonImmutable::now());

        return to_route('visits.show', [$visit, 'after'])->with('message', 'Your name stands beside the note.');
    }

    public function giveBack(GiveBackRequest $request, Visit $visit, #[CurrentUser] User $user, GiveNoteBack $back): RedirectResponse
    {
        $back->handle($visit, $user, $request->string('words')->value(), CarbonImmutable::now());

        return to_route('visits.show', [$visit, 'after'])->with('message', __('It is with :name again.', ['name' => $visit->user->name]));
    }
}
