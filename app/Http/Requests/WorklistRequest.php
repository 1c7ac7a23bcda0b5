<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Assessment\Tour;
use Somatrace\Core\Clinic;

/** Which regions are measured and felt, how thoroughly, and how the client lies now. */
final class WorklistRequest extends FormRequest
{
    use AboutVisit;

    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        return [
            'regions' => ['array', 'max:'.count($clinic->atlas()->regions)],
            'regions.*' => ['string', 'distinct', Rule::in(array_keys($clinic->atlas()->regions))],
            'full' => ['boolean'],
            'position' => ['nullable', Rule::in(Tour::starts())],
        ];
    }

    /** @return list<string> */
    public function regions(): array
    {
        $regions = $this->validated('regions');

        return array_values(array_filter(is_array($regions) ? $regions : [], is_string(...)));
    }

    public function position(): ?string
    {
        $position = $this->validated('position');

        return is_string($position) ? $position : null;
    }
}
