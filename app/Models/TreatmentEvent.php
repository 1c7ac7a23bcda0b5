<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id a ULID made at the table
 * @property int $visit_id
 * @property int $user_id
 * @property string $type
 * @property string $step
 * @property array<string, mixed> $payload
 * @property CarbonImmutable $happened_at
 */
final class TreatmentEvent extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $fillable = ['id', 'visit_id', 'user_id', 'type', 'step', 'payload', 'happened_at', 'received_at'];

    protected $casts = ['payload' => 'array', 'happened_at' => 'immutable_datetime', 'received_at' => 'immutable_datetime'];
}
