<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\OutboxMail;
use App\Models\Right;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Support\Facades\Config;
use Inertia\Inertia;
use Inertia\Response;

/**
 * What the simulated mail service carried to the people of a clinic, for its owner, where a demo has switched it on: these mails hold links
 * that open accounts.
 */
final readonly class OutboxController
{
    private const SHOWN = 50;

    public function __invoke(#[CurrentUser] User $user): Response
    {
        abort_unless(app()->environment('local') && Config::boolean('somatrace.outbox') && Config::get('mail.default') === 'outbox', 404);
        abort_unless($user->may(Right::KeepPeople), 403);
        $people = User::query()->where('clinic_id', $user->clinic_id)->pluck('email');

        return Inertia::render(
            'Outbox',
            [
                'mails' => OutboxMail::query()
                    ->whereIn('to', $people)
                    ->latest('sent_at')
                    ->latest('id')
                    ->limit(self::SHOWN)
                    ->get(['id', 'to', 'subject', 'text', 'sent_at']),
            ],
        );
    }
}
