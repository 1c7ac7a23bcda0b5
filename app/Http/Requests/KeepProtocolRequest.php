<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Clinic;

/** The plan of a visit gets a name. */
final class KeepProtocolRequest extends FormRequest
{
    use AboutVisit;

    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        return [
            'name' => ['required', 'string', 'min:2', 'max:80'],
            'about' => ['nullable', 'string', 'max:400'],
            'shared' => ['required', 'boolean'],
            'from_visit' => ['nullable', 'integer', 'min:1', 'max:20'],
            'conditions' => ['present', 'array:zones,not_with,stages'],
            'conditions.zones' => ['array', 'list', 'max:20'],
            'conditions.zones.*' => [Rule::in(array_keys($clinic->atlas()->zones))],
            'conditions.not_with' => ['array', 'list', 'max:20'],
            'conditions.not_with.*' => [Rule::in(array_keys($clinic->rules()->conditions))],
            'conditions.stages' => ['array', 'list'],
            'conditions.stages.*' => [Rule::enum(Stage::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.required' => 'Give it a name by which you will find it.', 'name.min' => 'A name of two letters at least, please.'];
    }

    /**
     * @return array{
     *     name: string, about: string, zones: list<string>, not_with: list<string>, from_visit: int|null, stages: list<string>
     * }
     */
    public function about(): array
    {
        $list = fn (string $of): array => array_values(array_map(strval(...), (array) $this->input("conditions.$of", [])));

        return [
            'name' => trim((string) $this->string('name')), 'about' => trim((string) $this->string('about')), 'zones' => $list('zones'),
            'not_with' => $list('not_with'), 'from_visit' => $this->filled('from_visit') ? $this->integer('from_visit') : null,
            'stages' => $list('stages'),
        ];
    }
}
