<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckBackMail;
use App\Models\CheckIn;
use App\Models\Visit;
use App\Support\Letters;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Asks a client by mail how it was. Not where they have answered and nothing was open then, where they are answering, or where the next
 * visit has begun; the link is made here, so that none lies in the queue.
 */
final class SendCheckBack implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    /** @var list<int> seconds before it is tried again */
    public array $backoff = [30, 120, 600, 1800];

    public function __construct(private readonly int $mail)
    {
        $this->afterCommit();
    }

    public function handle(HandOutCheckIn $handOut, Letters $letters): void
    {
        $mail = CheckBackMail::query()->with('visit.client', 'visit.user.clinic')->find($this->mail);
        $client = $mail?->visit->client;
        if ($mail === null || $client === null || $client->email === null || $client->erased_at !== null || ! $this->isOpen($mail)) {
            return;
        }
        $given = $handOut->handle($client, $mail->visit->user, CarbonImmutable::now(), $mail->visit);
        $letters->askBack($client, $mail->visit->user->clinic, $given['link'], $given['until']);
    }

    private function isOpen(CheckBackMail $mail): bool
    {
        if (Visit::query()->where('client_id', $mail->visit->client_id)->where('number', '>', $mail->visit->number)->exists()) {
            return false;
        }
        $last = CheckIn::query()->where('after_visit_id', $mail->visit_id)->latest('id')->first();

        return match (true) {
            $last === null => true,
            $last->sent_at !== null => self::wasStillSore($last, $mail),
            // half answered on their phone: another link would end it
            default => $last->opened_at === null || $last->expires_at < CarbonImmutable::now(),
        };
    }

    /** They answered while it still hurt: how long it lasted is known only later. */
    private static function wasStillSore(CheckIn $answered, CheckBackMail $mail): bool
    {
        $hours = (float) ($answered->answers['after']['soreness_hours'] ?? 0);
        $ended = $mail->due_at->subHours($mail->hours);

        return $hours > 0 && $ended->addHours((int) $hours + 1) >= $answered->sent_at;
    }
}
