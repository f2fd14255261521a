<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** Every verification case, in the order of their numbers. */
final class Cases
{
    /** @return list<VerificationCase> */
    public static function all(): array
    {
        return [
            new CompositeSlab(), new OrthotropicPlate(), new RectangularFin(), new SpreadingResistance(),
            new BoardLaminate(), new TwoResistanceComponent(), new ClosedBalance(), new ManufacturedConduction(),
            new LidDrivenCavity(), new HeatedCavity(), new HeatedCube(), new DuctFlow(), new ManufacturedFlow(),
            new FacingSurfaces(), new EnclosedSurfaces(), new RoundSurfaces(), new RadiatingFaces(), new SunlitSurfaces(), new FanAgainstPlate(), new ThermalEntry(), new FlatPlate(), new PowerLawFlow(), new FinArray(), new ColdPlateChannel(), new GasCavity(), new HotAirChannel(), new WarmFloor(), new CavityBehindWall(), new BackwardStep(), new SquareBar(), new HeatedBar(), new SheetCurrent(), new ViaBarrel(), new FuseWire(), new LoadsAndContacts(), new CopperSheets(), new JoinedBoards(),
            new CooledSlab(), new CooledBar(), new LumpedBlock(), new CourseOrder(), new MeltingSlab(), new UnsteadyFlow(),
        ];
    }
}
