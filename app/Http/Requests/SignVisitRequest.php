<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Visit;
use Illuminate\Foundation\Http\FormRequest;

final class SignVisitRequest extends FormRequest
{
    use CarriesKey;

    public function authorize(): bool
    {
        $visit = $this->route('visit');
        $ability = $this->routeIs('visits.correct') ? 'correct' : 'sign';

        return $visit instanceof Visit && $this->user()?->can($ability, $visit) === true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'happened' => ['nullable', 'string', 'max:5000'],
            'advice' => ['nullable', 'string', 'max:5000'],
            'next_time' => ['nullable', 'string', 'max:5000'],
            'sentences' => ['nullable', 'array', 'max:400'],
            'sentences.*' => ['array:id,text'],
            'sentences.*.id' => ['required', 'string', 'max:160'],
            'sentences.*.text' => ['nullable', 'string', 'max:4000'],
            'reason' => [$this->routeIs('visits.correct') ? 'required' : 'nullable', 'string', 'min:5', 'max:300'],
            ...$this->keyRules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'reason.required' => 'A correction says why.',
            'reason.min' => 'A few more words about why, please.',
        ];
    }

    /** @return array<string, string> sentences of the note that are corrected, by name */
    public function sentences(): array
    {
        $sentences = [];
        foreach ((array) $this->validated('sentences', []) as $one) {
            if (is_array($one) && is_string($one['id'])) {
                $sentences[$one['id']] = is_string($one['text'] ?? null) ? $one['text'] : '';
            }
        }

        return $sentences;
    }

    /** @return array{happened: string, advice: string, next_time: string} */
    public function words(): array
    {
        return [
            'happened' => (string) $this->string('happened'), 'advice' => (string) $this->string('advice'),
            'next_time' => (string) $this->string('next_time'),
        ];
    }
}
