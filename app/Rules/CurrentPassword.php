<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\User;
use App\Support\Audit;
use App\Support\AuditDeed;
use App\Support\Tries;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;

/** The password of whoever is signed in, told once more before something grave; tries are counted, and a wrong one is written down. */
final readonly class CurrentPassword implements ValidationRule
{
    public function __construct(private Request $request, private User $user)
    {
    }

    /** @return list<mixed> the rules of such a field */
    public static function rules(Request $request, User $user): array
    {
        return ['bail', 'required', 'string', 'max:190', new self($request, $user)];
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $right = Tries::of('password', $this->user->email, $this->request, $attribute)->let(
            fn (): bool => is_string($value) && Hash::check($value, $this->user->password),
        );
        if (! $right) {
            Audit::write(
                AuditDeed::refusedAtTheDoor(), $this->user, (string) $this->request->ip(), (string) $this->request->userAgent(),
                detail: 'password told again', refused: true,
            );
            $fail('This is not your password now.');
        }
    }
}
