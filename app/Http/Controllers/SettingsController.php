<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\SettingsPage;
use App\Http\Requests\ClinicSettingsRequest;
use App\Http\Requests\OwnSettingsRequest;
use App\Http\Requests\PreferenceRequest;
use App\Models\Settings;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response;
use Somatrace\Core\Clinic;

final readonly class SettingsController
{
    public function show(#[CurrentUser] User $user, SettingsPage $page): Response
    {
        return Inertia::render('Clinic/Settings', $page->of($user));
    }

    public function own(OwnSettingsRequest $request, #[CurrentUser] User $user, Clinic $core): RedirectResponse
    {
        $learnt = array_intersect_key($user->settings ?? [], array_flip(Settings::LEARNT));
        $user->update(['settings' => [...$request->chosen(), ...$learnt], ...$request->body($core)]);

        return back()->with('message', 'Kept, for you.');
    }

    /** How a muscle is liked to be worked; with neither technique nor tool it is forgotten. */
    public function prefer(PreferenceRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $liked = array_filter([...(array) ($user->settings['prefers'] ?? []), ...$request->liked()]);
        $user->update(['settings' => [...$user->settings ?? [], 'prefers' => $liked]]);

        return response()->json(['prefers' => (object) $liked]);
    }

    public function clinic(ClinicSettingsRequest $request, #[CurrentUser] User $user): RedirectResponse
    {
        $user->clinic->update([
            'name' => (string) $request->string('name'), 'timezone' => (string) $request->string('timezone'),
            'settings' => $request->chosen(),
        ]);

        return back()->with('message', 'Kept, for the whole clinic.');
    }
}
