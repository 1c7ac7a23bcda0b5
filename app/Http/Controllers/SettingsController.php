<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\SettingsPage;
use App\Http\Requests\ClinicSettingsRequest;
use App\Http\Requests\OwnSettingsRequest;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
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
        $user->update(['settings' => $request->chosen(), ...$request->body($core)]);

        return back()->with('message', 'Kept, for you.');
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
