<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\Settings;
use Illuminate\Foundation\Http\FormRequest;
use Somatrace\Core\Clinic;

/** What holds for the whole clinic. */
final class ClinicSettingsRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->may(Right::KeepClinic) === true;
    }

    /** @return array<string, mixed> */
    public function rules(Clinic $core): array
    {
        return Settings::rules(false, $core);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return Settings::messages();
    }

    /** @return array<string, mixed> */
    public function chosen(): array
    {
        $chosen = array_intersect_key((array) $this->validated(), Settings::defaults());

        // a day without hours is kept as closed: leaving it out would open it again
        return array_filter(
            [...$chosen, 'school' => array_filter((array) ($chosen['school'] ?? []))],
            static fn (mixed $value): bool => $value !== null && $value !== [],
        );
    }
}
