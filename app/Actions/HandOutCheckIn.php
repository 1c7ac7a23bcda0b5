<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckIn;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Makes a link and a code for one client; what was handed out before and not yet sent stops working. */
final readonly class HandOutCheckIn
{
    private const HOURS = 24;

    /** Without letters and digits that are taken for each other. */
    private const ALPHABET = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

    private const CODE_LENGTH = 8;

    /** @return array{link: string, code: string, until: CarbonImmutable} said once, kept nowhere */
    public function handle(Client $client, User $user, CarbonImmutable $now): array
    {
        $link = Str::random(43);
        $code = implode(
            '', array_map(static fn (): string => self::ALPHABET[random_int(0, strlen(self::ALPHABET) - 1)], range(1, self::CODE_LENGTH)),
        );
        $until = $now->addHours(self::HOURS);
        DB::transaction(static function () use ($client, $user, $now, $link, $code, $until): void {
            CheckIn::query()
                ->where('client_id', $client->id)
                ->whereNull('sent_at')
                ->where('expires_at', '>', $now)
                ->update(['expires_at' => $now]);
            CheckIn::query()->create([
                'clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'answers' => [],
                'link_hash' => CheckIn::hash($link), 'code_hash' => CheckIn::hash($code), 'expires_at' => $until,
            ]);
        });

        return ['link' => $link, 'code' => substr($code, 0, 4).'-'.substr($code, 4), 'until' => $until];
    }
}
