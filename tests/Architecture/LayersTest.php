<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The house's storeys, held by the analyser: see docs/decisions/0001-storeys.md. */
final class LayersTest
{
    /** What core may use besides itself: PHP and libraries that only compute. */
    private const PURE = ['libphonenumber', 'Sabre\\VObject'];

    #[TestRule]
    public function coreDependsOnItselfAndPureLibraries(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Jaunty\Core'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Jaunty\Core'), Selector::isStandardClass(), ...array_map(
                Selector::inNamespace(...),
                self::PURE,
            ))
            ->because('core is computed with on its own: no framework, no database, no HTTP, no clock');
    }

    #[TestRule]
    public function theCommandLineStandsOnCoreAlone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Jaunty\CommandLine'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Jaunty\CommandLine'),
                Selector::inNamespace('Jaunty\Core'),
                Selector::isStandardClass(),
            )
            ->because('bin/roster runs from files, with core\'s packages and nothing else');
    }

    #[TestRule]
    public function standinsKnowNothingOfUs(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Standins'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Standins'), Selector::isStandardClass())
            ->because('a stand-in is somebody else\'s system: what it shares with us is HTTP');
    }

    #[TestRule]
    public function onlyTheConnectorKnowsThePracticeSwitch(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App'))
            ->excluding(Selector::inNamespace('App\Switching\Practice'), Selector::inNamespace('App\Providers'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Switching\Practice'))
            ->because('a second connector must be possible without touching anything else');
    }

    #[TestRule]
    public function booksAreEnteredByOneDoor(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App'))
            ->excluding(
                Selector::classname('App\Book\RevisionWriter'),
                Selector::classname('App\Book\ObjectProjection'),
            )
            ->shouldNotDependOn()
            ->classes(Selector::classname('App\Book\ObjectProjection'))
            ->because('there is one path for every change');
    }

    /** A room of Calls may ask those before it: law, one call, all calls, a year, two books. */
    #[TestRule]
    public function theLawOfCallsAsksNoOtherRoom(): Rule
    {
        return self::room('Law', 'OneCall', 'AllCalls', 'Year', 'TwoBooks');
    }

    #[TestRule]
    public function oneCallAsksNothingOfAllOfThem(): Rule
    {
        return self::room('OneCall', 'AllCalls', 'Year', 'TwoBooks');
    }

    #[TestRule]
    public function allCallsAskNothingOfAYear(): Rule
    {
        return self::room('AllCalls', 'Year', 'TwoBooks');
    }

    #[TestRule]
    public function aYearAsksNothingOfTwoBooks(): Rule
    {
        return self::room('Year', 'TwoBooks');
    }

    private static function room(string $room, string ...$later): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace("Jaunty\\Core\\Calls\\{$room}"))
            ->shouldNotDependOn()
            ->classes(...array_map(
                static fn (string $each): \PHPat\Selector\SelectorInterface => Selector::inNamespace(
                    "Jaunty\\Core\\Calls\\{$each}",
                ),
                $later,
            ))
            ->because('a reader goes from one room to the next, and never back');
    }

    #[TestRule]
    public function screensStayOutOfTheWork(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App'))
            ->excluding(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Providers'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'))
            ->because('a job and a command line do the same work without HTTP');
    }

    #[TestRule]
    public function coreClassesAreFinal(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Jaunty\Core'))
            ->excluding(Selector::isInterface(), Selector::isEnum(), Selector::isAbstract())
            ->shouldBeFinal()
            ->because('values are made once, by their named constructors');
    }
}
