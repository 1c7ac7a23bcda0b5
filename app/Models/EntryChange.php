<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One state an entry once had.
 *
 * @property int $entry_id
 * @property mixed $payload
 * @property int $revision
 * @property int $user_id
 */
final class EntryChange extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['entry_id', 'payload', 'revision', 'user_id'];

    protected $casts = ['payload' => 'json'];
}
