<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Role;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property int $clinic_id
 * @property string $name
 * @property string $email
 * @property Role $role
 * @property bool $licensed
 * @property string $experience
 * @property float|null $mass_kg
 * @property list<string> $tools
 * @property Clinic $clinic
 */
final class User extends Authenticatable
{
    protected $fillable = ['clinic_id', 'name', 'email', 'password', 'role', 'licensed', 'experience', 'mass_kg', 'tools'];

    protected $hidden = ['password', 'remember_token'];

    protected $casts = ['password' => 'hashed', 'role' => Role::class, 'licensed' => 'bool', 'mass_kg' => 'float', 'tools' => 'array'];

    /** @return BelongsTo<Clinic, $this> */
    public function clinic(): BelongsTo
    {
        return $this->belongsTo(Clinic::class);
    }
}
