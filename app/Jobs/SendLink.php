<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\User;
use App\Support\Letters;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Password;

/**
 * A link by mail, written when nobody waits for it: whether an address is known is found out here and not where somebody could measure how
 * long it takes. Nothing of it can be read in the queue.
 */
final class SendLink implements ShouldBeEncrypted, ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    /** @var list<int> seconds before it is tried again */
    public array $backoff = [30, 120, 600, 1800];

    /** @param  string|null  $by  who invites; null where somebody asked for a new password */
    public function __construct(private readonly string $email, private readonly ?string $by = null)
    {
        $this->afterCommit();
    }

    public function handle(Letters $letters): void
    {
        $person = User::query()->with('clinic')->where('email', $this->email)->whereNull('deactivated_at')->first();
        if ($person === null) {
            return;
        }
        if ($this->by !== null) {
            $letters->invite($person, $this->by);
        } elseif (! Password::broker()->getRepository()->recentlyCreatedToken($person)) {
            $letters->reset($person);
        }
    }
}
