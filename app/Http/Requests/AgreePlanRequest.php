<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class AgreePlanRequest extends FormRequest
{
    use AboutVisit;
    use CarriesKey;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return $this->keyRules();
    }
}
