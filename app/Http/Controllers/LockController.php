<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\KeepLocked;
use App\Models\User;
use App\Rules\CurrentPassword;
use App\Support\ScreenLock;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

/** A screen that was left: nothing is read or written behind it until its owner is back, and then it goes on where it was. */
final readonly class LockController
{
    public function close(Request $request): JsonResponse
    {
        (new ScreenLock($request))->lock();

        return response()->json(['locked' => true]);
    }

    /** Somebody is at it, though nothing had to be asked for: what is under the cover stays open. */
    public function touch(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $lock = new ScreenLock($request);
        if ($lock->isLocked((int) $user->setting('idle_minutes'))) {
            return response()->json(['message' => 'The screen is locked.'], 423);
        }
        $lock->touch();

        return response()->json(['touched' => true]);
    }

    public function show(Request $request, #[CurrentUser] User $user): Response|RedirectResponse
    {
        return (new ScreenLock($request))->isLocked((int) $user->setting('idle_minutes'))
            ? Inertia::render('Locked', ['back' => (string) $request->session()->get(KeepLocked::BACK, '/')])
            : to_route('today');
    }

    public function open(Request $request, #[CurrentUser] User $user): JsonResponse|RedirectResponse
    {
        $request->validate(['password' => CurrentPassword::rules($request, $user)]);
        (new ScreenLock($request))->open();

        return $request->expectsJson()
            ? response()->json(['locked' => false])
            : redirect()->to((string) $request->session()->pull(KeepLocked::BACK, '/'));
    }
}
