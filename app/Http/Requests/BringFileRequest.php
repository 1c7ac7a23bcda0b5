<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Exchange\Progress;
use App\Models\Client;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\CaseFile\CaseReader;

/** A file that is brought in: looked at first, taken in when what would change was agreed to. */
final class BringFileRequest extends FormRequest
{
    public function authorize(): bool
    {
        $client = $this->route('client');

        return $client instanceof Client
            ? $this->user()?->can('bring', $client) === true
            : $this->user()?->can('create', Client::class) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            // what it is decides itself by being read; its name and the type a browser claims prove nothing
            'file' => ['required', 'file', 'max:'.(CaseReader::MOST_BYTES / 1024)],
            'digest' => [Rule::requiredIf($this->routeIs('*.apply')), 'nullable', 'string', 'size:64'],
            // by which the window asks how far it has come
            'progress' => ['nullable', 'string', 'regex:'.Progress::TOKEN],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required' => 'Choose a file, please.', 'file.max' => 'Larger than 5 MiB, which is the most a file may be.',
            'file.uploaded' => 'The file did not arrive whole. Try once more, please.',
        ];
    }

    public function text(): string
    {
        app(Progress::class)->begin((string) $this->string('progress'), (int) $this->user()?->getAuthIdentifier());

        return (string) $this->file('file')?->getContent();
    }

    public function digest(): string
    {
        return (string) $this->string('digest');
    }
}
