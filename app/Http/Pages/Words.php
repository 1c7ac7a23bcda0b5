<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Client;

/** Her, his or their, as the client chose; without a choice the client is named as the client. */
final readonly class Words
{
    /** @return array{possessive: string, object: string, subject: string} */
    public static function of(Client $client): array
    {
        return match ($client->pronoun) {
            'she' => ['possessive' => 'her', 'object' => 'her', 'subject' => 'she'],
            'he' => ['possessive' => 'his', 'object' => 'him', 'subject' => 'he'],
            'they' => ['possessive' => 'their', 'object' => 'them', 'subject' => 'they'],
            default => ['possessive' => 'client’s', 'object' => 'the client', 'subject' => 'the client'],
        };
    }
}
