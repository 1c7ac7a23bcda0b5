<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A protocol from a file. */
final class BringProtocolRequest extends FormRequest
{
    private const MOST_KIB = 64;

    public function authorize(): bool
    {
        $user = $this->user();

        return $user instanceof User && $user->may(Right::WriteClinical);
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['file' => ['required', 'file', 'max:'.self::MOST_KIB]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['file.required' => 'Choose a file, please.', 'file.max' => 'Larger than a protocol ever is.'];
    }

    public function text(): string
    {
        return (string) $this->file('file')?->getContent();
    }
}
