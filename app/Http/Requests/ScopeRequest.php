<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Clinic;

/** What is switched off in one's own clinic, each with its reason. */
final class ScopeRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->may(Right::KeepClinic) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'off' => ['present', 'array', 'list'],
            'off.*.id' => ['required', 'distinct', Rule::in(array_keys(app(Clinic::class)->atlas()->techniques))],
            'off.*.reason' => ['required', 'string', 'min:4', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'off.*.reason.required' => 'Say why, in a few words: it is read where it is missed.',
            'off.*.reason.min' => 'Say why, in a few words: it is read where it is missed.',
        ];
    }

    /** @return array<string, string> reasons by technique */
    public function reasons(): array
    {
        return array_column($this->validated()['off'], 'reason', 'id');
    }
}
