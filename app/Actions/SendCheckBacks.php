<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckBackMail;
use Carbon\CarbonImmutable;

/** Puts what is due into the queue, each once; what was due long ago, because nothing ran, is not asked any more. */
final readonly class SendCheckBacks
{
    private const TOO_LATE_HOURS = 24;

    /** @return int how many were put into the queue */
    public function handle(CarbonImmutable $now): int
    {
        CheckBackMail::query()->whereNull('sent_at')->where('due_at', '<', $now->subHours(self::TOO_LATE_HOURS))->delete();
        $sent = 0;
        foreach (CheckBackMail::query()->whereNull('sent_at')->where('due_at', '<=', $now)->pluck('id') as $id) {
            // two that run at once do not both send it
            if (CheckBackMail::query()->whereKey($id)->whereNull('sent_at')->update(['sent_at' => $now]) === 1) {
                SendCheckBack::dispatch((int) $id);
                $sent++;
            }
        }

        return $sent;
    }
}
