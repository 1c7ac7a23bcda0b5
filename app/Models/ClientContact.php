<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Somebody who is asked or told beside the client.
 *
 * @property string $kind emergency, guardian, doctor or other
 * @property string $name
 * @property string|null $phone
 * @property string|null $email
 * @property string|null $note
 */
final class ClientContact extends Model
{
    public const KINDS = ['emergency', 'guardian', 'doctor', 'other'];

    public const PARTS = ['kind', 'name', 'phone', 'email', 'note'];

    protected $fillable = ['client_id', 'kind', 'name', 'phone', 'email', 'note'];

    protected $attributes = ['phone' => null, 'email' => null, 'note' => null];
}
