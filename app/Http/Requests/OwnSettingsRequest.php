<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Settings;
use Illuminate\Foundation\Http\FormRequest;
use Somatrace\Core\Clinic;

/** What somebody wishes for themselves; what is left empty follows the clinic. */
final class OwnSettingsRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user() !== null;
    }

    /** @return array<string, mixed> */
    public function rules(Clinic $core): array
    {
        return Settings::rules(true, $core);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return Settings::messages();
    }

    /** @return array<string, mixed> */
    public function chosen(): array
    {
        $chosen = array_intersect_key((array) $this->validated(), array_flip(Settings::PERSONAL));

        return array_filter(
            [...$chosen, 'school' => array_filter((array) ($chosen['school'] ?? []))],
            static fn (mixed $value): bool => $value !== null && $value !== [],
        );
    }
}
