<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Somatrace\Core\Clinic;
use Somatrace\Core\Training\Card;

final class AnswerCardRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        $known = static function (string $field, mixed $value, Closure $fail) use ($clinic): void {
            $keys = array_map(static fn (Card $card): string => $card->key(), array_merge(...array_values($clinic->trainer()->cards())));
            if (! in_array($value, $keys, true)) {
                $fail('The trainer has no such card.');
            }
        };

        return ['card' => ['required', 'string', 'max:64', $known], 'chosen' => ['required', 'string', 'max:64']];
    }

    public function card(): Card
    {
        return Card::of($this->string('card')->toString());
    }

    public function chosen(): string
    {
        return $this->string('chosen')->toString();
    }
}
