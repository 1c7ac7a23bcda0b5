<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Questions handed to one client before a visit, by a link or a code that works once, on one device, for a day.
 *
 * @property int $id
 * @property int $clinic_id
 * @property int $client_id
 * @property int $user_id
 * @property string $link_hash
 * @property string $code_hash
 * @property string|null $device_hash
 * @property array<string, mixed> $answers
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable|null $opened_at
 * @property CarbonImmutable|null $sent_at
 * @property int|null $visit_id
 * @property Client $client
 */
final class CheckIn extends Model
{
    protected $fillable = [
        'clinic_id', 'client_id', 'user_id', 'link_hash', 'code_hash', 'device_hash', 'answers', 'expires_at', 'opened_at', 'sent_at',
        'visit_id',
    ];

    protected $casts = [
        'answers' => 'array', 'expires_at' => 'immutable_datetime', 'opened_at' => 'immutable_datetime', 'sent_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }

    /** Keyed, so that a stolen list of hashes cannot be tried against short codes elsewhere. */
    public static function hash(string $secret): string
    {
        return hash_hmac('sha256', $secret, (string) config('app.key'));
    }
}
