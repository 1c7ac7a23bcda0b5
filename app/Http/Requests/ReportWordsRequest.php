<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use App\Models\ReportWords;
use App\Models\Visit;
use App\Models\VisitStatus;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

final class ReportWordsRequest extends FormRequest
{
    public const LONGEST = 2000;

    public function authorize(): bool
    {
        $client = $this->route('client');

        return $client instanceof Client && $this->user()?->can('report', $client) === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'visit' => ['required', 'string'], 'for' => ['required', Rule::in(ReportWords::READERS)],
            'words' => ['present', 'nullable', 'string', 'max:'.self::LONGEST], 'seen' => ['required', 'integer', 'min:0'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['words.max' => 'At most :max characters, please. What you wrote stands here until it is shorter.'];
    }

    /** The visit up to which the report was read, of this client. */
    public function visit(Client $client): Visit
    {
        return $client->visits()->where('public_id', $this->string('visit'))->where('status', '!=', VisitStatus::Open)->first()
            ?? throw ValidationException::withMessages(['visit' => 'No visit of this client has ended there.']);
    }

    /** @return 'client'|'referrer' */
    public function reader(): string
    {
        return $this->string('for')->toString() === 'referrer' ? 'referrer' : 'client';
    }

    public function words(): string
    {
        return trim($this->string('words')->toString());
    }
}
