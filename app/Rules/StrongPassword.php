<?php

declare(strict_types=1);

namespace App\Rules;

use Closure;
use Illuminate\Contracts\Validation\DataAwareRule;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Symfony\Component\Validator\Constraints\PasswordStrength;
use Symfony\Component\Validator\Constraints\PasswordStrengthValidator;

/**
 * A password nobody guesses: its entropy is estimated by the package, after the words that are tried first, one's own name and address
 * among them, count as one letter each.
 */
final class StrongPassword implements DataAwareRule, ValidationRule
{
    /** What is tried before anything else. */
    private const COMMON = [
        'password', 'passwort', 'qwertz', 'qwerty', 'asdf', 'yxcv', 'zxcv', 'letmein', 'welcome', 'admin', 'master', 'dragon', 'monkey',
        'football', 'iloveyou', 'sunshine', 'princess', 'secret', 'login', 'abc', 'massage', 'somatrace', 'clinic', 'therapist',
        'reception',
    ];

    /** @var array<array-key, mixed> */
    private array $data = [];

    /** @param  array<array-key, mixed>  $data */
    public function setData(array $data): self
    {
        $this->data = $data;

        return $this;
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (is_string($value) && PasswordStrengthValidator::estimateStrength($this->bare($value)) < PasswordStrength::STRENGTH_MEDIUM) {
            $fail('Too easy to guess. Four or five words that do not belong together are easy to keep and hard to guess.');
        }
    }

    private function bare(string $password): string
    {
        foreach ([...self::COMMON, ...$this->own()] as $word) {
            $password = str_ireplace($word, $word[0], $password);
        }
        // a run or a row of the same: 1234, aaaa
        $password = (string) preg_replace('/(.)\1+/u', '$1', $password);
        $short = '';
        foreach (str_split($password) as $at => $letter) {
            $before = $at === 0 ? -9 : ord($password[$at - 1]);
            $short .= abs(ord($letter) - $before) === 1 ? '' : $letter;
        }

        return $short;
    }

    /** @return list<non-empty-string> */
    private function own(): array
    {
        $user = Auth::user();
        $told = implode(
            ' ',
            array_filter(
                [$user?->getAttribute('name'), $user?->getAttribute('email'), $this->data['email'] ?? null, $this->data['name'] ?? null],
                is_string(...),
            ),
        );

        return array_values(array_filter(
            preg_split('/[^a-z]+/', Str::lower(Str::ascii($told))) ?: [], static fn (string $word): bool => strlen($word) > 3,
        ));
    }
}
