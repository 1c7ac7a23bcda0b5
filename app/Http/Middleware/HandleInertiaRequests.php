<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\Right;
use Illuminate\Http\Request;
use Inertia\Middleware;

final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        $user = $request->user();

        return [
            ...parent::share($request),
            'user' => $user === null ? null : ['name' => $user->name, 'role' => $user->role->value, 'licensed' => $user->licensed, 'rights' => array_map(static fn (Right $right): string => $right->value, $user->role->rights())],
            'flash' => ['message' => $request->session()->get('message'), 'check_in' => $user === null ? null : $request->session()->get('check_in')],
        ];
    }
}
