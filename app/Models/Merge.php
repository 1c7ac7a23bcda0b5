<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Two records of one person, put together.
 *
 * @property int $id
 * @property int $clinic_id
 * @property int $kept_id
 * @property int $gone_id
 * @property array<string, list<int|string>> $moved ids by table, and the details that were filled in
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $undone_at
 */
final class Merge extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['clinic_id', 'kept_id', 'gone_id', 'moved', 'user_id', 'created_at', 'undone_at'];

    protected $casts = ['moved' => 'array', 'created_at' => 'immutable_datetime', 'undone_at' => 'immutable_datetime'];
}
