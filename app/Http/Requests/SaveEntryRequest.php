<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Cases\EntryCheck;
use App\Models\EntryKind;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

final class SaveEntryRequest extends FormRequest
{
    use AboutVisit;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(EntryKind::class)->only(EntryKind::writable())],
            'phase' => ['required', Rule::in(['before', 'after'])],
            'identity' => ['nullable', 'string', 'max:160'],
            'payload' => ['present', 'nullable'],
            'seen' => ['required', 'integer', 'min:0'],
        ];
    }

    public function after(EntryCheck $check): \Closure
    {
        return function (Validator $validator) use ($check): void {
            if ($validator->errors()->isNotEmpty()) {
                return;
            }
            if (! in_array($this->phase(), $this->kind()->phases(), true)) {
                $validator->errors()->add('phase', 'Nothing of this kind stands there.');
            }
            foreach (
                $check->faults(
                    $this->kind(), $this->identity(), $this->payload(), $this->user()?->licensed === true, $this->visit()->day(),
                ) as $fault
            ) {
                $validator->errors()->add('payload', $fault);
            }
        };
    }

    public function kind(): EntryKind
    {
        return EntryKind::from((string) $this->string('kind'));
    }

    public function phase(): string
    {
        return (string) $this->string('phase');
    }

    public function payload(): mixed
    {
        return $this->kind()->bare($this->json('payload'));
    }

    public function seen(): int
    {
        return $this->integer('seen');
    }

    public function identity(): string
    {
        return $this->kind()->nameOf($this->payload(), $this->input('identity'));
    }
}
