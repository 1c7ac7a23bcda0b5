<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BringVisits;
use App\Actions\RecordChangedMeanwhile;
use App\Exchange\ClientFiles;
use App\Exchange\Listed;
use App\Exchange\Progress;
use App\Http\Pages\ClientArchive;
use App\Http\Requests\BringFileRequest;
use App\Models\Client;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response as Page;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The record of one client as files, out and in. */
final readonly class ClientFilesController
{
    private const FAULTS = 200;

    private const MOST_MEMORY = 1024 ** 3;

    public function show(Client $client): Page
    {
        Gate::authorize('viewClinical', $client);

        return Inertia::render('Client/Files', [
            'client' => ['id' => $client->public_id, 'name' => $client->name, 'code' => $client->code],
            'mayBring' => Gate::allows('bring', $client),
            'visited' => $client->visits()->exists(),
            'formats' => Listed::of(ClientFiles::FORMATS),
        ]);
    }

    public function download(Client $client, string $format, #[CurrentUser] User $user, ClientFiles $files): Response
    {
        Gate::authorize('viewClinical', $client);
        $text = $files->write($format, $client, $user->clinic) ?? abort(404, 'No visit yet.');

        return self::attachment($text, ClientFiles::FORMATS[$format][0], "{$client->code}.$format");
    }

    /** `progress` is the token by which a window asks how far it has come. */
    public function export(
        Request $request, Client $client, #[CurrentUser] User $user, ClientArchive $export, Progress $progress,
    ): BinaryFileResponse {
        Gate::authorize('viewClinical', $client);
        $request->validate(['progress' => ['nullable', 'string', 'regex:'.Progress::TOKEN]]);
        $progress->begin((string) $request->string('progress'), $user->id);

        return response()->download(
            $export->handle($client, $user->clinic), "{$client->code}.zip",
            ['Content-Type' => 'application/zip', 'Cache-Control' => 'no-store'],
        )->deleteFileAfterSend();
    }

    public function preview(
        BringFileRequest $request,
        Client $client,
        string $format,
        #[CurrentUser] User $user,
        ClientFiles $files,
        BringVisits $bring,
    ): JsonResponse {
        return self::faultless(
            static fn (): array => $bring->preview($client, $user, $files->read($format, $request->text(), $user->clinic)),
        );
    }

    public function apply(
        BringFileRequest $request,
        Client $client,
        string $format,
        #[CurrentUser] User $user,
        ClientFiles $files,
        BringVisits $bring,
    ): JsonResponse {
        return self::faultless(
            static fn (): array => [
                'written' => $bring->handle($client, $user, $files->read($format, $request->text(), $user->clinic), $request->digest()),
            ],
        );
    }

    public static function attachment(string $text, string $type, string $name): Response
    {
        return response(
            $text, 200,
            [
                'Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\"", 'Cache-Control' => 'no-store',
                'X-Content-Type-Options' => 'nosniff',
            ],
        );
    }

    /**
     * What was read, or its faults by place; 409 when somebody wrote in between.
     *
     * @param  callable(): array<string, mixed>  $act
     */
    public static function faultless(callable $act): JsonResponse
    {
        // as large as a file may be, it is read to its end; a calendar of five MiB takes most
        set_time_limit(0);
        $limit = ini_parse_quantity((string) ini_get('memory_limit'));
        if ($limit >= 0 && $limit < self::MOST_MEMORY) {
            ini_set('memory_limit', (string) self::MOST_MEMORY);
        }
        try {
            return response()->json($act());
        } catch (FaultyDocument $fault) {
            return response()->json(
                [
                    'message' => 'The file was not taken in; nothing has changed.',
                    'faults' => array_map(
                        static fn (Fault $one): array => ['place' => $one->pointer, 'words' => $one->message],
                        array_slice($fault->faults, 0, self::FAULTS),
                    ),
                    'more' => max(0, count($fault->faults) - self::FAULTS),
                ],
                422,
            );
        } catch (RecordChangedMeanwhile) {
            return response()->json(['message' => 'Somebody wrote in the record meanwhile. Look at what would change once more.'], 409);
        }
    }
}
