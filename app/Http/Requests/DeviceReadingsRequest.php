<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Clinic;

/** What the simulated device is held to, and which repeat it is. */
final class DeviceReadingsRequest extends FormRequest
{
    use AboutVisit;

    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        $what = match ($this->route('device')) {
            'algometer' => $clinic->atlas()->muscles,
            'dynamometer' => array_filter($clinic->atlas()->tests, static fn ($test): bool => $test->result === 'kg'),
            default => array_filter(
                [...$clinic->atlas()->movements, ...$clinic->atlas()->tests],
                static fn ($one): bool => ($one->unit ?? $one->result ?? '') === 'deg',
            ),
        };

        return [
            'what' => ['required', 'string', Rule::in(array_keys($what))],
            'side' => ['required', Rule::enum(Side::class)],
            'repeat' => ['required', 'integer', 'between:1,20'],
            'about' => ['nullable', 'numeric', 'between:0,1500'],
        ];
    }

    public function side(): Side
    {
        return Side::from((string) $this->string('side'));
    }
}
