<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $visit_id
 * @property int $client_id
 * @property string $phase
 * @property EntryKind $kind
 * @property string $identity
 * @property mixed $payload
 * @property int $revision
 * @property string $said_on
 * @property int $user_id
 * @property string $checked the atlas under which it was looked at
 * @property string|null $fault why it cannot be read
 */
final class Entry extends Model
{
    protected $fillable = [
        'visit_id', 'client_id', 'phase', 'kind', 'identity', 'payload', 'revision', 'said_on', 'user_id', 'checked', 'fault',
    ];

    protected $casts = ['kind' => EntryKind::class, 'payload' => 'json'];

    /** @return HasMany<EntryChange, $this> */
    public function changes(): HasMany
    {
        return $this->hasMany(EntryChange::class);
    }
}
