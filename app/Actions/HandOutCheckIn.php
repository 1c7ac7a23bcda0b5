<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckIn;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Makes a link and a code for one client; what was handed out before and not yet sent stops working. */
final readonly class HandOutCheckIn
{
    private const HOURS = 24;

    /** A check-back asks for two days; who answers late still answers. */
    private const HOURS_AFTER = 120;

    /** Without letters and digits that are taken for each other. */
    private const ALPHABET = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

    private const CODE_LENGTH = 8;

    /**
     * @param  Visit|null  $after  asks how it was after this visit; before the next one where there is none
     * @return array{link: string, code: string, until: CarbonImmutable} said once, kept nowhere
     */
    public function handle(Client $client, User $user, CarbonImmutable $now, ?Visit $after = null): array
    {
        $link = Str::random(43);
        $code = implode(
            '', array_map(static fn (): string => self::ALPHABET[random_int(0, strlen(self::ALPHABET) - 1)], range(1, self::CODE_LENGTH)),
        );
        $until = $now->addHours($after === null ? self::HOURS : self::HOURS_AFTER);
        DB::transaction(static function () use ($client, $user, $now, $link, $code, $until, $after): void {
            CheckIn::query()
                ->where('client_id', $client->id)
                ->whereNull('sent_at')
                ->where('expires_at', '>', $now)
                ->whereRaw('(after_visit_id is null) = ?', [$after === null])
                ->update(['expires_at' => $now]);
            CheckIn::query()->create([
                'clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'answers' => [],
                'link_hash' => CheckIn::hash($link), 'code_hash' => CheckIn::hash($code), 'expires_at' => $until,
                'after_visit_id' => $after?->id,
            ]);
        });

        return ['link' => $link, 'code' => substr($code, 0, 4).'-'.substr($code, 4), 'until' => $until];
    }
}
