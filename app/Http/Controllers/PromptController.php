<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Book\DraftDesk;
use App\Models\Ability;
use App\Models\Origin;
use App\Models\Recording;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Prompts\Recordings;
use App\Prompts\SpeechStudio;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Prompts\WavFile;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What prompts sound like: uploaded, recorded here, or spoken by the studio; each a version that can be heard and used
 * again.
 */
final class PromptController extends Controller
{
    public function __construct(
        private readonly Scope $scope,
        private readonly DraftDesk $drafts,
        private readonly Recordings $recordings,
    ) {
    }

    public function index(Request $request, string $customer, string $prompt): JsonResponse
    {
        return $this->told($this->technician($request), $customer, $prompt);
    }

    /** The body is the file. */
    public function store(Request $request, string $customer, string $prompt): JsonResponse
    {
        /** @var array{origin?: ?string} $given */
        $given = $request->validate(['origin' => ['nullable', 'in:upload,microphone']]);
        $technician = $this->technician($request);
        $this->find($technician, $customer, $prompt, Ability::Edit);
        $sound = $this->recordings->prepare($request->getContent());
        $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant) => $this->recordings->keep(
                $tenant,
                $technician->id,
                $this->promptOf($tenant, $technician, $prompt),
                $sound,
                Origin::from($given['origin'] ?? Origin::Upload->value),
            ),
        );

        return $this->told($technician, $customer, $prompt, 201);
    }

    /** The studio speaks the script as it stands in the draft. */
    public function speak(Request $request, string $customer, string $prompt, SpeechStudio $studio): JsonResponse
    {
        $technician = $this->technician($request);
        $found = $this->find($technician, $customer, $prompt, Ability::Edit);
        if ($found->script === null || trim($found->script) === '') {
            throw ValidationException::withMessages(['script' => 'There is no script to speak yet.']);
        }
        $sound = $this->recordings->prepare($studio->speak($found->script, $found->language));
        $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant) => $this->recordings->keep(
                $tenant,
                $technician->id,
                $this->promptOf($tenant, $technician, $prompt),
                $sound,
                Origin::Studio,
            ),
        );

        return $this->told($technician, $customer, $prompt, 201);
    }

    public function useAgain(Request $request, string $customer, string $prompt, int $no): JsonResponse
    {
        $technician = $this->technician($request);
        $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $prompt, $no): void {
                $found = $this->promptOf($tenant, $technician, $prompt);
                $version = array_values(array_filter(
                    $this->recordings->of($tenant->id, $found),
                    static fn (Recording $recording): bool => $recording->no === $no,
                ))[0] ?? throw new NotFoundHttpException();
                $this->recordings->useAgain($tenant, $technician->id, $found, $version);
            },
        );

        return $this->told($technician, $customer, $prompt);
    }

    /** As the switch plays it; with ?as=pcm as every browser does. */
    public function audio(Request $request, string $customer, string $prompt, int $no): Response
    {
        $technician = $this->technician($request);
        $wav = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): ?string => $this->recordings->wav(
                $tenant->id,
                $this->promptOf($tenant, $technician, $prompt),
                $no,
            ),
        )
            ?? throw new NotFoundHttpException();

        return new Response($request->query('as') === 'pcm' ? WavFile::read($wav)->asPcm() : $wav, 200, [
            'Content-Type' => 'audio/wav',
            'Content-Disposition' => "inline; filename=\"{$prompt}-{$no}.wav\"",
            'Cache-Control' => 'private, max-age=3600',
        ]);
    }

    private function find(Technician $technician, string $customer, string $prompt, Ability $least): Prompt
    {
        return $this->scope->tenant(
            $technician->id,
            $customer,
            $least,
            fn (TenantRow $tenant): Prompt => $this->promptOf($tenant, $technician, $prompt),
        );
    }

    private function promptOf(TenantRow $tenant, Technician $technician, string $key): Prompt
    {
        $prompt = $this->drafts->view($tenant, $technician->id)->edited->find(Reference::to(Kind::Prompt, $key));

        return $prompt instanceof Prompt ? $prompt : throw new NotFoundHttpException();
    }

    private function told(Technician $technician, string $customer, string $prompt, int $status = 200): JsonResponse
    {
        return $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Read,
            function (TenantRow $tenant) use ($technician, $prompt, $status): JsonResponse {
                $found = $this->promptOf($tenant, $technician, $prompt);
                $recordings = $this->recordings->of($tenant->id, $found);
                $names = Technician::query()->whereIn('id', array_column($recordings, 'made_by'))->pluck('name', 'id');

                return new JsonResponse(['recordings' => array_map(static fn (Recording $recording): array => [
                    'no' => $recording->no, 'origin' => $recording->origin->value,
                    'seconds' => (float) $recording->seconds,
                    'peakDb' => $recording->peak_db === null ? null : (float) $recording->peak_db,
                    'waveform' => $recording->waveform, 'cameAs' => $recording->came_as,
                    'remarks' => $recording->remarks, 'sha256' => $recording->sha256,
                    'isOfThisScript' => $recording->script === $found->script,
                    'isUsed' => ($found->audio['sha256'] ?? null) === $recording->sha256,
                    'by' => $names[$recording->made_by] ?? '', 'at' => $recording->made_at->toAtomString(),
                ], $recordings)], $status);
            },
        );
    }
}
