<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Right;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Middleware;

final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    private const SHOWN = ['pressure_unit', 'length_unit', 'date_form', 'note_words', 'theme', 'figure', 'idle_minutes', 'pedals'];

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        $user = $request->user();

        return [
            ...parent::share($request),
            'demo' => $user === null ? DB::table('clinics')->where('demo', 1)->exists() : $user->clinic->demo,
            'user' => $user === null
                ? null
                : [
                    'name' => $user->name, 'role' => $user->role->value, 'licensed' => $user->licensed,
                    'rights' => array_map(static fn (Right $right): string => $right->id(), $user->role->rights()),
                    'settings' => $this->settings($user),
                ],
            'flash' => [
                'message' => is_string($message = $request->session()->get('message')) ? __($message) : null,
                'check_in' => $user === null ? null : $request->session()->get('check_in'),
                'feed' => $user === null ? null : $request->session()->get('feed'),
            ],
        ];
    }

    /** @return array<string, mixed> how this person wishes to see and work */
    private function settings(User $user): array
    {
        return [...array_combine(self::SHOWN, array_map($user->setting(...), self::SHOWN)), 'timezone' => $user->clinic->timezone];
    }
}
