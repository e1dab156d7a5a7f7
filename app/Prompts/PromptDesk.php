<?php

declare(strict_types=1);

namespace App\Prompts;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\DraftDesk;
use App\Models\Ability;
use App\Models\Origin;
use App\Models\Recording;
use App\Models\TenantRow;
use App\Switching\Switches;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\UnusableAudio;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What a technician does with the recordings of a prompt, which may stand in their draft only. */
final readonly class PromptDesk
{
    public function __construct(
        private Scope $scope,
        private DraftDesk $drafts,
        private Recordings $recordings,
        private SpeechStudio $studio,
        private Switches $switches,
        private ActivityLog $log,
    ) {
    }

    /** @return array{Prompt, list<Recording>} newest first, without the sound itself */
    public function recorded(string $technicianId, string $customer, string $prompt): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            function (TenantRow $tenant) use ($technicianId, $prompt): array {
                $found = $this->prompt($tenant, $technicianId, $prompt);

                return [$found, $this->recordings->of($tenant->id, $found)];
            },
        );
    }

    /**
     * @throws UnusableAudio
     */
    public function record(string $technicianId, string $customer, string $prompt, string $wav, Origin $origin): void
    {
        [, $plays] = $this->find($technicianId, $customer, $prompt);
        $this->keep($technicianId, $customer, $prompt, $this->recordings->prepare($wav, $plays), $origin);
    }

    /**
     * The studio speaks the script as it stands in the draft.
     *
     * @throws NothingToSpeak
     */
    public function speak(string $technicianId, string $customer, string $prompt): void
    {
        [$found, $plays] = $this->find($technicianId, $customer, $prompt);
        if ($found->script === null || trim($found->script) === '') {
            throw new NothingToSpeak('There is no script to speak yet.');
        }
        $sound = $this->recordings->prepare($this->studio->speak($found->script, $found->language), $plays);
        $this->keep($technicianId, $customer, $prompt, $sound, Origin::Studio);
    }

    public function useAgain(string $technicianId, string $customer, string $prompt, int $no): void
    {
        $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $prompt, $no): void {
                $found = $this->prompt($tenant, $technicianId, $prompt);
                $version = array_values(array_filter(
                    $this->recordings->of($tenant->id, $found),
                    static fn (Recording $recording): bool => $recording->no === $no,
                ))[0] ?? throw new NotFoundHttpException();
                $this->recordings->useAgain($tenant, $technicianId, $found, $version);
                $this->log->noteOf($tenant->id, $technicianId, 'took an older recording again', [
                    'prompt' => $prompt, 'recording' => $no,
                ]);
            },
        );
    }

    /** @return string a WAV file as telephones play it */
    public function wav(string $technicianId, string $customer, string $prompt, int $no): string
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): ?string => $this->recordings->wav(
                $tenant->id,
                $this->prompt($tenant, $technicianId, $prompt),
                $no,
            ),
        ) ?? throw new NotFoundHttpException();
    }

    /** @return array{Prompt, SoundFormat} the prompt, and what the customer's switch plays */
    private function find(string $technicianId, string $customer, string $prompt): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): array => [
                $this->prompt($tenant, $technicianId, $prompt),
                $this->switches->of($tenant)->plays(),
            ],
        );
    }

    private function keep(string $technicianId, string $customer, string $prompt, Sound $sound, Origin $origin): void
    {
        $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $prompt, $sound, $origin): void {
                $this->recordings->keep(
                    $tenant,
                    $technicianId,
                    $this->prompt($tenant, $technicianId, $prompt),
                    $sound,
                    $origin,
                );
                $this->log->noteOf($tenant->id, $technicianId, 'kept a recording', [
                    'prompt' => $prompt, 'from' => $origin->value,
                ]);
            },
        );
    }

    private function prompt(TenantRow $tenant, string $technicianId, string $key): Prompt
    {
        $prompt = $this->drafts->view($tenant, $technicianId)->edited->find(Reference::to(Kind::Prompt, $key));

        return $prompt instanceof Prompt ? $prompt : throw new NotFoundHttpException();
    }
}
