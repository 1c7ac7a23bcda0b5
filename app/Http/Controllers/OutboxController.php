<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\OutboxMail;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

/** What the simulated mail service carried. Only where it is in use, and only on the machine itself: these mails hold links that open accounts. */
final readonly class OutboxController
{
    private const SHOWN = 50;

    public function __invoke(Request $request): Response
    {
        abort_unless(config('mail.default') === 'outbox' && in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1'], true), 404);

        return Inertia::render('Outbox', ['mails' => OutboxMail::query()->latest('sent_at')->latest('id')->limit(self::SHOWN)->get(['id', 'to', 'subject', 'text', 'sent_at'])]);
    }
}
