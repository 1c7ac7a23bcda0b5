<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Message;
use Symfony\Component\Mime\MessageConverter;

/** The mail service that ships: it carries nothing anywhere, and what it was given is read at /outbox on this machine. */
final class OutboxTransport extends AbstractTransport
{
    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        $mail = $original instanceof Message
            ? MessageConverter::toEmail($original)
            : throw new \LogicException('The outbox carries whole mails only.');
        DB::table('outbox_mails')->insert([
            'to' => implode(', ', array_map(static fn (Address $to): string => $to->getAddress(), $mail->getTo())),
            'subject' => (string) $mail->getSubject(),
            'text' => (string) $mail->getTextBody(), 'sent_at' => CarbonImmutable::now(),
        ]);
    }

    public function __toString(): string
    {
        return 'outbox';
    }
}
